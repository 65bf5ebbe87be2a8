import type { ControlInput } from "@/core/catalogue/kinds/controlKind";
import { derive } from "@/core/derived/derive";
import type { Design, Layer } from "@/core/document/schema";
import { useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";

/** Something that can be bound: an input of a control, or keys together. */
interface Bindable {
  id: string;
  label: string;
  motion: ControlInput["motion"];
  /** Whether it is told when it ends: a key's press is, a flip, a step and keys together are over at once. */
  canWait: boolean;
}

interface KeymapHand {
  design: Design;
  layer: Layer;
  /** Inputs of the selected controls. */
  inputs: Bindable[];
  /** The input being bound: the one picked, or the first of the selected control. */
  input: Bindable | null;
}

const bindable = ({ id, label, motion, flips }: ControlInput): Bindable => ({
  id,
  label,
  motion,
  canWait: (motion === "press" && !flips) || motion === "high" || motion === "low",
});

/** The layer and the input in hand. */
export function useKeymap(): KeymapHand {
  const design = useDesign();
  const { selection, inputId, layerId } = useHand();
  const layer = design.keymap.layers.find((l) => l.id === layerId) ?? design.keymap.layers[0];
  const last = selection.at(-1);
  const derived = derive(design);
  const inputs = derived.inputs.filter(({ controlId }) => controlId === last).map(bindable);
  const together = derived.bindable.find(({ id }) => id === inputId && id.endsWith(":together"));
  if (together && last) {
    const input: Bindable = { ...together, motion: "press", canWait: false };
    return { design, layer, inputs: [], input };
  }
  const input = inputs.find((i) => i.id === inputId) ?? inputs.find((i) => i.motion === "press") ?? inputs[0] ?? null;
  return { design, layer, inputs, input };
}
