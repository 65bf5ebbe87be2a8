import { type Binding, typedBy } from "@/core/bindings";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { wipersOf } from "@/core/engine/movable";
import type { DrillSort } from "@/core/practice/run";
import { useDesign } from "@/store/bench";
import { usePractice } from "@/store/practiceInHand";

/** With fewer, keys that type are buttons that happen to be letters. */
const LETTERS_OF_KEYBOARD = 15;

const isLetter = (binding: Binding) => {
  const usage = typedBy(binding)?.usage ?? 0;
  return usage >= 0x04 && usage <= 0x1d;
};

/** Drills that a design has something for. */
export function drillsOf(design: Design): DrillSort[] {
  const { inputs, elements } = derive(design);
  const letters = Object.values(design.keymap.layers[0].bindings).filter(isLetter);
  return [
    ...(letters.length >= LETTERS_OF_KEYBOARD && design.reportSet.interfaces.includes("keyboard")
      ? (["type"] as const)
      : []),
    ...(inputs.some(({ motion }) => motion === "press") ? (["press"] as const) : []),
    ...([...elements.values()].some(({ kind }) => kind === "quadrature") ? (["turn"] as const) : []),
    ...(design.controls.some((control) => wipersOf(control).length > 0) ? (["follow"] as const) : []),
    ...(design.circuits.length > 0 ? (["find"] as const) : []),
  ];
}

/** The drill in hand, or the first that the design has something for. */
export function useDrill(): DrillSort | null {
  const design = useDesign();
  const chosen = usePractice((state) => state.drill);
  const drills = drillsOf(design);
  return drills.includes(chosen) ? chosen : (drills[0] ?? null);
}
