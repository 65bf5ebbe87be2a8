import { knobEnd } from "./endAt";
import { circle } from "../../geometry/outline";
import { between, z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, switchOf, turningOf } from "./controlKind";
import { turningFields } from "./encoder";

const concentricSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("concentric"),
  push: z.boolean(),
  ...turningFields,
  knobDiameterMm: between(8, 80),
});
export type Concentric = z.infer<typeof concentricSchema>;

/** Two encoders on one axis, a small knob on a large one; optionally the inner shaft can be pushed. */
export const concentric: ControlKind<Concentric> = {
  kind: "concentric",
  title: "Concentric encoder",
  article: "a concentric encoder",
  prefix: "CE",
  schema: concentricSchema,
  partId: "concentric-12",
  fresh: (id, label, placement) => ({
    id,
    kind: "concentric",
    label,
    placement,
    partId: "concentric-12",
    push: true,
    stepsPerTurn: 16,
    statesPerStep: 4,
    knobDiameterMm: 22,
  }),
  cap: (control) => [circle(control.knobDiameterMm)],
  body: asPart.body,
  openings: asPart.openings,
  elements: (control) => [
    ring(control, "outer").element,
    ring(control, "inner").element,
    ...(control.push ? [push(control).element] : []),
  ],
  inputs: (control) => [
    ...ring(control, "outer").inputs,
    ...ring(control, "inner").inputs,
    ...(control.push ? [push(control).input] : []),
  ],
  endAt: knobEnd,
  describe: (control) => `⌀ ${control.knobDiameterMm} mm, 2 × ${control.stepsPerTurn} steps a turn`,
};

/** The outer ring keeps the plain name "turn", so that it is what a hand on the rim turns. */
function ring(control: Concentric, which: "outer" | "inner") {
  const mark = which === "outer" ? "O" : "I";
  return turningOf(
    control,
    which === "outer" ? "turn" : "inner",
    `${control.label} ${which}`,
    { statesPerStep: control.statesPerStep, stepsPerTurn: control.stepsPerTurn },
    contactRow(control.id, [`${mark}A`, `${mark}B`, `${mark}C`], which === "outer" ? 8.5 : 6),
  );
}

const push = (control: Concentric) =>
  switchOf(control, "press", `${control.label} push`, contactRow(control.id, ["S1", "S2"], -8));
