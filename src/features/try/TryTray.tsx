"use client";

import { later } from "@/ui/pieces/later";
import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { isTold } from "@/core/hid/panelSettings";
import type { MatrixCircuit } from "@/core/circuits/matrix";
import type { Design } from "@/core/document/schema";
import type { LanguageId } from "@/core/languages/ids";
import {
  clearText,
  setAsleep,
  setBounce,
  setNoisy,
  setComputerLanguage,
  setWithoutDiodes,
  useSession,
} from "@/store/session";
import { stillPointer } from "@/core/hid/pointerWords";
import { hasSmallEnds } from "./smallEnds";
import { useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";
import { FirstKeymapOffer } from "@/ui/pieces/FirstKeymapOffer";
import { Section, Values } from "@/ui/pieces/sheets";
import { HostBox } from "./HostBox";

/** The list of languages is long. */
const LanguageField = later(() => import("@/ui/pieces/LanguageField").then((m) => m.LanguageField));

/** Few keyboards have what is turned or tilted. */
const EndsSection = later(() => import("./EndsSection").then((m) => m.EndsSection));

/** Few have sticks or pots, or are game pads. */
const MoveSection = later(() => import("./MoveSection").then((m) => m.MoveSection));
const PadView = later(() => import("./PadView").then((m) => m.PadView));

const SoundersView = later(() => import("./SoundersView").then((m) => m.SoundersView));
/** Few have a controller in each part. */
const PartsView = later(() => import("./PartsView").then((m) => m.PartsView));
const RadioView = later(() => import("./RadioView").then((m) => m.RadioView));
const PadPortView = later(() => import("./PadPortView").then((m) => m.PadPortView));
const SocketView = later(() => import("./SocketView").then((m) => m.SocketView));
const MusicView = later(() => import("./MusicView").then((m) => m.MusicView));

/** Few have displays of dots. */
const GlassViews = later(() => import("@/ui/drawing/glasses").then((m) => m.GlassViews));

const TellSection = later(() => import("./TellSection").then((m) => m.TellSection));

/** These come with the first thing that is done. */
const ComputerSection = later(() => import("./ComputerSection").then((m) => m.ComputerSection));
const Deeds = later(() => import("./Deeds").then((m) => m.Deeds));
const PointerArea = later(() => import("./PointerArea").then((m) => m.PointerArea));

/** Whether the computer does anything but play and show: a device that only plays music types nothing. */
const typesOrActs = ({ reportSet: { interfaces } }: Design) =>
  interfaces.length === 0 || interfaces.some((kind) => kind !== "music" && kind !== "pad" && kind !== "panel");

const hasSomethingToMove = ({ controls, supply }: Design) =>
  supply.measured !== null || controls.some(({ kind }) => kind === "stick" || kind === "pot");

/** What the keymap is made for, until another is asked for. */
function ComputerLanguage({ language }: { language: LanguageId | null }) {
  const [isAsked, ask] = useState(false);
  if (language === null && !isAsked)
    return (
      <PlainButton alignSelf="start" onClick={() => ask(true)}>
        Set the computer to another language
      </PlainButton>
    );
  return (
    <LanguageField
      label="The computer is set to"
      value={language}
      none="what the keymap is made for"
      onCommit={(id) => void setComputerLanguage(id)}
    />
  );
}

/** The host that listens, and what may go wrong on purpose. */
export function TryTray() {
  const design = useDesign();
  const { asleep, bounce, noisy, withoutDiodes, language, activeLayers, deeds, reports } = useSession();
  const hasMatrix = design.circuits.some(
    (circuit): circuit is MatrixCircuit => circuit.kind === "matrix" && circuit.diodes !== "none",
  );
  const refusal = useSession((state) => state.refusal);
  const readsVoltages = useSession((state) => state.seen.sensors.length > 0);
  const hasPointed = useSession((state) => state.pointing !== stillPointer);
  return (
    <>
      {refusal && (
        <Box role="alert" bg="var(--stop)" color="var(--sheet)" padding="8px 10px" marginTop="8px">
          {refusal}
        </Box>
      )}
      <FirstKeymapOffer design={design} />
      {typesOrActs(design) && (
        <Section
          title="What the computer types"
          aside={
            <PlainButton height="26px" onClick={clearText}>
              Clear
            </PlainButton>
          }
        >
          <HostBox />
          <Box fontSize="13px" color="var(--faint)">
            Click into it and type: keys of your own keyboard press the device’s key that is bound to them. Tab leaves.
          </Box>
          {deeds.length > 0 && <Deeds />}
        </Section>
      )}
      {hasPointed && (
        <Section title="What the pointer does">
          <PointerArea />
        </Section>
      )}
      {design.reportSet.interfaces.includes("music") && <MusicView />}
      {design.controls.some(({ kind }) => kind === "music-socket") && <SocketView />}
      {design.controls.some(({ kind }) => kind === "buzzer") && <SoundersView design={design} />}
      {design.reportSet.interfaces.includes("pad") && <PadView design={design} />}
      {isTold(design) && <TellSection design={design} />}
      {design.controllers.length > 1 && <PartsView design={design} />}
      {design.controls.some(({ kind }) => kind === "radio") && <RadioView />}
      {design.controls.some(({ kind }) => kind === "pad-port") && <PadPortView design={design} />}
      {design.controls.some(({ kind }) => kind === "display") && <GlassViews design={design} />}
      <ComputerSection design={design} />
      <Section title="State">
        <Values
          rows={[
            ["Layer", activeLayers.map((index) => design.keymap.layers[index]?.name).join(" over ") || "none"],
            ["Reports sent", reports.length],
            ["Debounce", `${design.timing.debounce.ms} ms, ${design.timing.debounce.school}`],
          ]}
        />
      </Section>
      {hasSomethingToMove(design) && <MoveSection design={design} />}
      {design.controls.some(hasSmallEnds) && <EndsSection design={design} />}
      <Section title="What if">
        <Checkbox label="The computer sleeps: a key wakes it" checked={asleep} onChange={setAsleep} />
        <Checkbox label="Contacts bounce, up to 4 ms" checked={bounce} onChange={setBounce} />
        {readsVoltages && <Checkbox label="Voltages scatter, by up to 3 counts" checked={noisy} onChange={setNoisy} />}
        <Checkbox
          label="The diodes were left out"
          disabled={!hasMatrix}
          checked={withoutDiodes}
          onChange={setWithoutDiodes}
        />
        <ComputerLanguage language={language} />
      </Section>
    </>
  );
}
