import type { ControlInput } from "../catalogue/kinds/controlKind";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";

/** Inputs that no layer has a binding for; a flip back without one does as the flip. */
export function openInputs(design: Design): ControlInput[] {
  const bound = new Set(design.keymap.layers.flatMap((layer) => Object.keys(layer.bindings)));
  return derive(design).inputs.filter(({ id, motion }) => motion !== "back" && !bound.has(id));
}
