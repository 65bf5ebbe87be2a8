"use client";

import dynamic from "next/dynamic";
import { useHand } from "@/store/hand";
import { FirstKeymapOffer } from "@/ui/pieces/FirstKeymapOffer";
import { Section } from "@/ui/pieces/sheets";
import { BindingSection } from "./BindingSection";
import { LampSection } from "./LampSection";
import { LayersSection } from "./LayersSection";
import { MacrosSection } from "./MacrosSection";
import { TogetherSection } from "./TogetherSection";
import { useKeymap } from "./useKeymap";

/** Talking with a device comes when the stage is there. */
const OnDeviceSection = dynamic(() => import("./OnDeviceSection").then((m) => m.OnDeviceSection));

/** The list of languages is long. */
const ComputerSection = dynamic(() => import("./ComputerSection").then((m) => m.ComputerSection));

/** Layers, and what the input in hand does on the layer in hand. */
export function KeymapTray() {
  const { design, input } = useKeymap();
  const last = useHand((state) => state.selection.at(-1));
  const control = design.controls.find((c) => c.id === last);
  return (
    <>
      <FirstKeymapOffer design={design} />
      <LayersSection />
      {input && <BindingSection key={input.id} />}
      <TogetherSection />
      <MacrosSection />
      {control?.kind === "lamp" && <LampSection control={control} />}
      {!input && control?.kind !== "lamp" && (
        <Section title="Bind">
          <div>Select a key, an encoder or a lamp on the mat, or a line of the table.</div>
        </Section>
      )}
      <ComputerSection />
      <OnDeviceSection />
    </>
  );
}
