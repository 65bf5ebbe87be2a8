"use client";

import { later } from "@/ui/pieces/later";
import { playsMusic } from "@/core/firmware/musicSocket";
import { openInputs } from "@/core/keymap/openInputs";
import { type Control, kindOf } from "@/core/catalogue/kinds";
import type { Design } from "@/core/document/schema";
import { useHand } from "@/store/hand";
import { FirstKeymapOffer } from "@/ui/pieces/FirstKeymapOffer";
import { Section } from "@/ui/pieces/sheets";
import { CompareSection } from "./CompareSection";
import { LayersSection } from "./LayersSection";
import { MacrosSection } from "./MacrosSection";
import { TogetherSection } from "./TogetherSection";
import { useKeymap } from "./useKeymap";

/** These come with what is in hand. */
const BindingSection = later(() => import("./BindingSection").then((m) => m.BindingSection));
const LampSection = later(() => import("./LampSection").then((m) => m.LampSection));

/** Talking with a device comes when the stage is there. */
const OnDeviceSection = later(() => import("./OnDeviceSection").then((m) => m.OnDeviceSection));

/** Beginning knows what labels mean, which is a long list too. */
const UnboundSection = later(() => import("./UnboundSection").then((m) => m.UnboundSection));

const KnobSection = later(() => import("./KnobSection").then((m) => m.KnobSection));

/** Few have sticks or pots. */
const AxisSection = later(() => import("./AxisSection").then((m) => m.AxisSection));

/** Few play music. */
const NotesSection = later(() => import("./NotesSection").then((m) => m.NotesSection));

/** Few have segment displays. */
const SegmentsSection = later(() => import("./SegmentsSection").then((m) => m.SegmentsSection));

/** Few have displays of dots. */
const DisplaySection = later(() => import("./DisplaySection").then((m) => m.DisplaySection));

const LightsNote = later(() => import("./LightsNote").then((m) => m.LightsNote));

/** The list of languages is long. */
const ComputerSection = later(() => import("./ComputerSection").then((m) => m.ComputerSection));

/** Reading tables brings their parser. */
const KeymapFile = later(() => import("./KeymapFile").then((m) => m.KeymapFile));

/** Whether some input does nothing on any layer. */
const hasUnbound = (design: Design): boolean => openInputs(design).length > 0;

const turns = (control: Control) =>
  kindOf(control)
    .elements(control)
    .some(({ kind }) => kind === "quadrature");

const hasAxes = ({ kind }: Control) => kind === "stick" || kind === "pot";

/** What shows a state by being switched. */
const isShown = ({ kind }: Control) => kind === "lamp" || kind === "motor" || kind === "buzzer";

const showsSomething = (control: Control) =>
  isShown(control) || control.kind === "segments" || control.kind === "display";

/** Layers, and what the input in hand does on the layer in hand. */
export function KeymapTray() {
  const { design, input, layer } = useKeymap();
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
      {control?.kind === "display" && <DisplaySection key={`${control.id} ${layer.id}`} control={control} />}
      {isLight && <LightsNote />}
      {playsMusic(design) && <NotesSection />}
      <TogetherSection />
      <MacrosSection />
      {control && isShown(control) && <LampSection control={control} />}
      {!isLight && design.controls.some(({ kind }) => kind === "light") && <LightsNote />}
      {!input && !(control && showsSomething(control)) && !isLight && (
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
