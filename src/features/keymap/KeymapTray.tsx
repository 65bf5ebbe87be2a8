"use client";

import dynamic from "next/dynamic";
import { openInputs } from "@/core/keymap/openInputs";
import { type Control, kindOf } from "@/core/catalogue/kinds";
import type { Design } from "@/core/document/schema";
import { useHand } from "@/store/hand";
import { FirstKeymapOffer } from "@/ui/pieces/FirstKeymapOffer";
import { Section } from "@/ui/pieces/sheets";
import { BindingSection } from "./BindingSection";
import { CompareSection } from "./CompareSection";
import { LampSection } from "./LampSection";
import { LayersSection } from "./LayersSection";
import { MacrosSection } from "./MacrosSection";
import { TogetherSection } from "./TogetherSection";
import { useKeymap } from "./useKeymap";

/** Talking with a device comes when the stage is there. */
const OnDeviceSection = dynamic(() => import("./OnDeviceSection").then((m) => m.OnDeviceSection));

/** Beginning knows what labels mean, which is a long list too. */
const UnboundSection = dynamic(() => import("./UnboundSection").then((m) => m.UnboundSection));

const KnobSection = dynamic(() => import("./KnobSection").then((m) => m.KnobSection));

/** Few have sticks or pots. */
const AxisSection = dynamic(() => import("./AxisSection").then((m) => m.AxisSection));

/** Few play music. */
const NotesSection = dynamic(() => import("./NotesSection").then((m) => m.NotesSection));

/** Few have segment displays. */
const SegmentsSection = dynamic(() => import("./SegmentsSection").then((m) => m.SegmentsSection));

const LightsNote = dynamic(() => import("./LightsNote").then((m) => m.LightsNote));

/** The list of languages is long. */
const ComputerSection = dynamic(() => import("./ComputerSection").then((m) => m.ComputerSection));

/** Reading tables brings their parser. */
const KeymapFile = dynamic(() => import("./KeymapFile").then((m) => m.KeymapFile));

/** Whether some input does nothing on any layer. */
const hasUnbound = (design: Design): boolean => openInputs(design).length > 0;

const turns = (control: Control) =>
  kindOf(control)
    .elements(control)
    .some(({ kind }) => kind === "quadrature");

const hasAxes = ({ kind }: Control) => kind === "stick" || kind === "pot";

/** What shows a state by being switched. */
const isShown = ({ kind }: Control) => kind === "lamp" || kind === "motor";

/** Layers, and what the input in hand does on the layer in hand. */
export function KeymapTray() {
  const { design, input } = useKeymap();
  const last = useHand((state) => state.selection.at(-1));
  const control = design.controls.find((c) => c.id === last);
  const isLight = control?.kind === "light";
  return (
    <>
      <FirstKeymapOffer design={design} />
      <LayersSection />
      {input && <BindingSection key={input.id} />}
      {control && turns(control) && <KnobSection control={control} />}
      {control && hasAxes(control) && <AxisSection key={control.id} control={control} />}
      {control?.kind === "segments" && <SegmentsSection key={control.id} control={control} />}
      {isLight && <LightsNote />}
      {design.reportSet.interfaces.includes("music") && <NotesSection />}
      <TogetherSection />
      <MacrosSection />
      {control && isShown(control) && <LampSection control={control} />}
      {!isLight && design.controls.some(({ kind }) => kind === "light") && <LightsNote />}
      {!input && !(control && (isShown(control) || control.kind === "segments")) && !isLight && (
        <Section title="Bind">
          <div>Select a key, an encoder, a lamp or a light on the mat, or a line of the table.</div>
        </Section>
      )}
      {hasUnbound(design) && <UnboundSection />}
      <ComputerSection />
      <CompareSection />
      <KeymapFile />
      <OnDeviceSection />
    </>
  );
}
