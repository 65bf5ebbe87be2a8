import type { ControlInput } from "../catalogue/kinds/controlKind";
import { derive } from "../derived/derive";
import { knobOf } from "../document/knobs";
import type { Design } from "../document/schema";

/** What may well do nothing: a flip back does as the flip, and axes press keys only where someone wants them to. */
const NEED_NOT: ControlInput["motion"][] = ["back", "high", "low"];

/** Inputs that no layer has a binding for, and that are there to be bound. */
export function openInputs(design: Design): ControlInput[] {
  const bound = new Set(design.keymap.layers.flatMap((layer) => Object.keys(layer.bindings)));
  /** A knob whose value is told needs no steps. */
  const isTold = (elementId: string) => knobOf(design.keymap.knobs, elementId).controller !== undefined;
  return derive(design).inputs.filter(
    ({ id, motion, elementId }) => !NEED_NOT.includes(motion) && !bound.has(id) && !isTold(elementId),
  );
}
