import type { ControlInput } from "@/core/catalogue/kinds/controlKind";
import { derive } from "@/core/derived/derive";
import type { Design, Layer } from "@/core/document/schema";
import { useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";

interface KeymapHand {
  design: Design;
  layer: Layer;
  /** Inputs of the selected controls. */
  inputs: ControlInput[];
  /** The input being bound: the one picked, or the first of the selected control. */
  input: ControlInput | null;
}

/** The layer and the input in hand. */
export function useKeymap(): KeymapHand {
  const design = useDesign();
  const { selection, inputId, layerId } = useHand();
  const layer = design.keymap.layers.find((l) => l.id === layerId) ?? design.keymap.layers[0];
  const last = selection.at(-1);
  const inputs = derive(design).inputs.filter((input) => input.controlId === last);
  const input = inputs.find((i) => i.id === inputId) ?? inputs.find((i) => i.motion === "press") ?? inputs[0] ?? null;
  return { design, layer, inputs, input };
}
