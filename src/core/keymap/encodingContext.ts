import type { EncodingContext } from "../bindings/bindingKind";
import type { Design } from "../document/schema";

/** Layer numbers of a design, for table entries. */
export function encodingContextOf({ keymap: { layers } }: Design): EncodingContext {
  return {
    layerIndex: (id) =>
      Math.max(
        0,
        layers.findIndex((layer) => layer.id === id),
      ),
  };
}
