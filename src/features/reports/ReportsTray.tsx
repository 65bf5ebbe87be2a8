"use client";

import dynamic from "next/dynamic";
import { Box } from "@chakra-ui/react";
import { type InterfaceKind, interfaceKinds, interfaceFaces } from "@/core/hid/interfaceKinds";
import { padShapeOf } from "@/core/firmware/padShape";
import { padByteNames } from "@/core/hid/padWords";
import type { Design } from "@/core/document/schema";
import { edit, useDesign } from "@/store/bench";
import { useSession } from "@/store/session";
import { Checkbox } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";
import { IdentitySection } from "./IdentitySection";
import { TimingSection } from "./TimingSection";

/** It needs the numbering of switches, and only a device with live changes needs it. */
const UnlockSection = dynamic(() => import("./UnlockSection").then((m) => m.UnlockSection));

const PadSection = dynamic(() => import("./PadSection").then((m) => m.PadSection));

const PanelSection = dynamic(() => import("./PanelSection").then((m) => m.PanelSection));

function declare(design: Design, kind: InterfaceKind, declared: boolean): Design {
  const interfaces = interfaceKinds.filter((one) =>
    one === kind ? declared : design.reportSet.interfaces.includes(one),
  );
  return { ...design, reportSet: { ...design.reportSet, interfaces } };
}

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
      </Section>
      {reportSet.interfaces.includes("pad") && <PadSection />}
      {reportSet.interfaces.includes("panel") && <PanelSection />}
      {reportSet.interfaces.includes("live") && <UnlockSection />}
      <IdentitySection />
      <TimingSection />
    </>
  );
}

function LiveReport({ kind }: { kind: InterfaceKind }) {
  const report = useSession((state) => state.reports.findLast((one) => one.interface === kind));
  const design = useDesign();
  const { title } = interfaceFaces[kind];
  const reportBytes = kind === "pad" ? padByteNames(padShapeOf(design)) : interfaceFaces[kind].reportBytes;
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
    </Box>
  );
}
