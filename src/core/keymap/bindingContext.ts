import type { Design } from "../document/schema";
import type { BindingContext } from "../bindings/bindingKind";

/** Layer names and numbers of a design, for phrases and table entries. */
export function bindingContextOf(design: Design): BindingContext {
  const { layers } = design.keymap;
  const index = (id: string) => layers.findIndex((layer) => layer.id === id);
  return {
    layerName: (id) => layers.find((layer) => layer.id === id)?.name ?? "a layer that is gone",
    layerIndex: (id) => Math.max(0, index(id)),
  };
}
