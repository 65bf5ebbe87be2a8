"use client";

import { later } from "@/ui/pieces/later";
import { Box } from "@chakra-ui/react";
import { isTold, noPanel, usualNotes } from "@/core/hid/panelSettings";
import { type InterfaceKind, interfaceKinds, interfaceFaces } from "@/core/hid/interfaceKinds";
import { reportShapeOf } from "@/core/firmware/reportShape";
import { keyboardUsageNamed } from "@/core/hid/keyboardUsages";
import { usagesIn } from "@/core/hid/everyKey";
import { padByteNames } from "@/core/hid/padWords";
import type { Design } from "@/core/document/schema";
import { setInterfaces, setPanel } from "@/core/edits/reportSet";
import { edit, useDesign } from "@/store/bench";
import { useSession } from "@/store/session";
import { Checkbox } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";
import { BusSection } from "./BusSection";
import { IdentitySection } from "./IdentitySection";
import { TimingSection } from "./TimingSection";

/** It needs the numbering of switches, and only a device with live changes needs it. */
const UnlockSection = later(() => import("./UnlockSection").then((m) => m.UnlockSection));

const KeyboardSection = later(() => import("./KeyboardSection").then((m) => m.KeyboardSection));

const PadSection = later(() => import("./PadSection").then((m) => m.PadSection));

const PacketSection = later(() => import("./PacketSection").then((m) => m.PacketSection));

const PadPortSection = later(() => import("./PadPortSection").then((m) => m.PadPortSection));

const PanelSection = later(() => import("./PanelSection").then((m) => m.PanelSection));

const declare = (design: Design, kind: InterfaceKind, declared: boolean): Design => {
  const others = design.reportSet.interfaces.filter((one) => one !== kind);
  return setInterfaces(design, declared ? [...others, kind] : others);
};

/** What the device declares, and its reports as they are right now. */
export function ReportsTray() {
  const design = useDesign();
  const { reportSet } = design;
  return (
    <>
      <Section title="Live reports">
        <div style={{ color: "var(--faint)" }}>Press keys on the mat: these are the bytes the firmware sends.</div>
        {reportSet.interfaces
          .filter((kind) => interfaceFaces[kind].reportBytes.length > 0)
          .map((kind) => (
            <LiveReport key={kind} kind={kind} />
          ))}
      </Section>
      <Section title="The device declares">
        {interfaceKinds.map((kind) => (
          <Checkbox
            key={kind}
            label={interfaceFaces[kind].title}
            checked={reportSet.interfaces.includes(kind)}
            onChange={(on) =>
              edit(`${on ? "declare" : "drop"} ${interfaceFaces[kind].title}`, (d) => declare(d, kind, on))
            }
          />
        ))}
        {!isTold(design) && (
          <Checkbox
            label="No report, but lines over a serial port tell what is shown"
            checked={false}
            onChange={() =>
              edit("lines over a serial port", (d) => setPanel(d, { ...(reportSet.panel ?? noPanel), lines: true }))
            }
          />
        )}
        {!isTold(design) && reportSet.interfaces.includes("music") && (
          <Checkbox
            label="No report, but notes that the computer plays tell what is shown"
            checked={false}
            onChange={() =>
              edit("notes that tell a panel", (d) =>
                setPanel(d, { ...(reportSet.panel ?? noPanel), notes: usualNotes }),
              )
            }
          />
        )}
      </Section>
      {reportSet.interfaces.includes("keyboard") && <KeyboardSection />}
      {reportSet.interfaces.includes("pad") && <PadSection />}
      {isTold(design) && <PanelSection />}
      {design.controls.some(({ kind }) => kind === "radio") && <PacketSection />}
      {design.controls.some(({ kind }) => kind === "pad-port") && <PadPortSection />}
      {reportSet.interfaces.includes("live") && <UnlockSection />}
      <BusSection />
      <IdentitySection />
      <TimingSection />
    </>
  );
}

function LiveReport({ kind }: { kind: InterfaceKind }) {
  const report = useSession((state) => state.reports.findLast((one) => one.interface === kind));
  const design = useDesign();
  const { title } = interfaceFaces[kind];
  const reportBytes = kind === "pad" ? padByteNames(reportShapeOf(design)) : interfaceFaces[kind].reportBytes;
  return (
    <Box>
      <Box fontWeight="600">{title}</Box>
      <Box
        display="grid"
        gridTemplateColumns={`repeat(${Math.min(4, reportBytes.length)}, 1fr)`}
        gap="4px"
        marginTop="4px"
      >
        {reportBytes.map((name, at) => {
          const byte = report?.bytes[at] ?? 0;
          return (
            <Box
              key={name}
              bg={byte === 0 ? "var(--paper)" : "var(--saffron)"}
              color={byte === 0 ? "var(--ink)" : "var(--saffron-ink)"}
              padding="3px 6px"
            >
              <Box fontFamily="mono" fontSize="15px">
                {byte.toString(16).toUpperCase().padStart(2, "0")}
              </Box>
              <Box fontSize="12px">{name}</Box>
            </Box>
          );
        })}
      </Box>
      {kind === "keyboard" && reportShapeOf(design).keyBytes > 0 && (
        <Box fontSize="12px" marginTop="4px">
          Bits behind them:{" "}
          {usagesIn(report?.bytes.subarray(reportBytes.length) ?? none)
            .map(keyboardUsageNamed)
            .join(", ") || "none"}
        </Box>
      )}
    </Box>
  );
}

const none = new Uint8Array();
