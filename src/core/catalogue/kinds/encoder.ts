import { between, whole, z } from "../../schema";
import { circle, roundedRectangle } from "../../layout/outline";
import { point } from "../../layout/point";
import { type ControlInput, type ControlKind, type Element, controlFields, pressOf } from "./controlKind";

const encoderSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("encoder"),
  push: z.boolean(),
  /** Felt steps in one turn. */
  stepsPerTurn: whole(1, 200),
  /** Quadrature states that pass between two felt steps. */
  statesPerStep: z.union([z.literal(1), z.literal(2), z.literal(4)]),
  knobDiameterMm: between(5, 80),
});
export type Encoder = z.infer<typeof encoderSchema>;

/** Body of the common 11 mm-class rotary encoder (common practice: about 12 × 13 mm). */
const BODY = { widthMm: 12.4, heightMm: 13.4 };

/** An incremental rotary encoder, optionally with a push switch in its shaft. */
export const encoder: ControlKind<Encoder> = {
  kind: "encoder",
  title: "Encoder",
  article: "an encoder",
  prefix: "E",
  schema: encoderSchema,
  fresh: (id, label, placement) => ({
    id,
    kind: "encoder",
    label,
    placement,
    push: true,
    stepsPerTurn: 24,
    statesPerStep: 4,
    knobDiameterMm: 17,
  }),
  cap: (control) => circle(control.knobDiameterMm),
  body: () => roundedRectangle(BODY.widthMm, BODY.heightMm, 0.3),
  elements: (control) => (control.push ? [quadrature(control), push(control).element] : [quadrature(control)]),
  inputs: (control) => (control.push ? [...turns(control), push(control).input] : turns(control)),
  describe: (control) => `⌀ ${control.knobDiameterMm} mm, ${control.stepsPerTurn} steps a turn`,
};

const turnId = (control: Encoder) => `${control.id}:turn`;

/** Terminals of the common 11 mm-class encoder: A, common, B on one side, the switch on the other (common practice). */
const quadrature = (control: Encoder): Element => ({
  id: turnId(control),
  controlId: control.id,
  kind: "quadrature",
  label: control.label,
  turning: { statesPerStep: control.statesPerStep, stepsPerTurn: control.stepsPerTurn },
  contacts: [
    { id: `${control.id}.A`, name: "A", at: point(-2.5, 7) },
    { id: `${control.id}.B`, name: "B", at: point(2.5, 7) },
    { id: `${control.id}.C`, name: "common", at: point(0, 7) },
  ],
});

const push = (control: Encoder) =>
  pressOf(control, `${control.label} push`, ["S1", "S2"], [point(-2.5, -7), point(2.5, -7)]);

const turns = (control: Encoder): ControlInput[] => [
  {
    id: `${control.id}:cw`,
    controlId: control.id,
    elementId: turnId(control),
    motion: "clockwise",
    label: `${control.label} turned clockwise`,
  },
  {
    id: `${control.id}:ccw`,
    controlId: control.id,
    elementId: turnId(control),
    motion: "anticlockwise",
    label: `${control.label} turned anticlockwise`,
  },
];
