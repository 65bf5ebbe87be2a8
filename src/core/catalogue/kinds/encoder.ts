import { knobEnd } from "./endAt";
import { circle } from "../../geometry/outline";
import { point } from "../../geometry/point";
import { between, whole, z } from "../../schema";
import { type Contact, type ControlKind, asPart, controlFields, pressOf, turningOf } from "./controlKind";

/** Felt steps in one turn, and quadrature states that pass between two of them. */
export const turningFields = {
  stepsPerTurn: whole(1, 200),
  statesPerStep: z.union([z.literal(1), z.literal(2), z.literal(4)]),
};

const encoderSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("encoder"),
  push: z.boolean(),
  ...turningFields,
  knobDiameterMm: between(5, 80),
});
export type Encoder = z.infer<typeof encoderSchema>;

/** An incremental rotary encoder, optionally with a push switch in its shaft. */
export const encoder: ControlKind<Encoder> = {
  kind: "encoder",
  title: "Encoder",
  article: "an encoder",
  prefix: "E",
  schema: encoderSchema,
  partId: "encoder-11",
  fresh: (id, label, placement) => ({
    id,
    kind: "encoder",
    label,
    placement,
    partId: "encoder-11",
    push: true,
    stepsPerTurn: 24,
    statesPerStep: 4,
    knobDiameterMm: 17,
  }),
  cap: (control) => [circle(control.knobDiameterMm)],
  body: asPart.body,
  openings: asPart.openings,
  elements: (control) => [turn(control).element, ...(control.push ? [push(control).element] : [])],
  inputs: (control) => [...turn(control).inputs, ...(control.push ? [push(control).input] : [])],
  endAt: knobEnd,
  describe: (control) => `⌀ ${control.knobDiameterMm} mm, ${control.stepsPerTurn} steps a turn`,
};

/** Terminals of the common 11 mm-class encoder: A, common, B on one side, the switch on the other (common practice). */
const terminals = (id: string): Contact[] => [
  { id: `${id}.A`, name: "A", at: point(-2.5, 7) },
  { id: `${id}.B`, name: "B", at: point(2.5, 7) },
  { id: `${id}.C`, name: "common", at: point(0, 7) },
];

const turn = (control: Encoder) =>
  turningOf(
    control,
    "turn",
    control.label,
    { statesPerStep: control.statesPerStep, stepsPerTurn: control.stepsPerTurn },
    terminals(control.id),
  );

const push = (control: Encoder) =>
  pressOf(control, `${control.label} push`, ["S1", "S2"], [point(-2.5, -7), point(2.5, -7)]);
