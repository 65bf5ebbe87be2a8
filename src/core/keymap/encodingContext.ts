import type { EncodingContext } from "../bindings/bindingKind";
import type { Design } from "../document/schema";
import { playedAt } from "./macroPlan";

/** Layer numbers of a design, for table entries. */
export function encodingContextOf(design: Design): EncodingContext {
  const { layers } = design.keymap;
  return {
    layerIndex: (id) =>
      Math.max(
        0,
        layers.findIndex((layer) => layer.id === id),
      ),
    playedAt: (binding) => playedAt(design, binding),
  };
}
