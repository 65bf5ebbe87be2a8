import { type Outline, placeOutline, roundedRectangle } from "../../geometry/outline";
import { point } from "../../geometry/point";
import { stabiliserOf } from "./stabiliser";
import { between, text, z } from "../../schema";
import { shapeOutline } from "../parts/part";
import { type ControlKind, type Pitch, asPart, controlFields, pressOf } from "./controlKind";

const keySchema = z.strictObject({
  ...controlFields,
  kind: z.literal("key"),
  /** Cap width and height in units of the pitch. */
  widthU: between(0.5, 10),
  heightU: between(0.5, 4),
  /** A second rectangle that makes an L or T, its centre from the key's, in units. */
  second: z.nullable(
    z.strictObject({ xU: between(-5, 5), yU: between(-4, 4), widthU: between(0.25, 10), heightU: between(0.25, 4) }),
  ),
  /** Width of the raised part at the left of a stepped cap, in units; null for a plain cap. */
  stepU: z.nullable(between(0.5, 5)),
  /** Guides both ends of a long cap; needed from 2 units on. */
  stabiliser: z.boolean(),
  /** Row profile of a sculpted cap, as the cap set names it; "" when it does not matter. */
  profile: text(0, 12),
  /** A colour group of the design, or null. */
  groupId: z.nullable(text(1, 40)),
});
export type Key = z.infer<typeof keySchema>;

/** Space a cap leaves to the edge of its unit cell, all round (common practice: an 18.1 mm cap on a 19.05 mm pitch). */
const CAP_INSET_MM = 0.475;

function capPiece(widthU: number, heightU: number, pitch: Pitch): Outline {
  const radius = Math.min(1.6, (Math.min(widthU, heightU) * pitch.xMm) / 4);
  return roundedRectangle(widthU * pitch.xMm - 2 * CAP_INSET_MM, heightU * pitch.yMm - 2 * CAP_INSET_MM, radius);
}

function secondPiece({ second }: Key, pitch: Pitch): Outline[] {
  if (!second) return [];
  const piece = capPiece(second.widthU, second.heightU, pitch);
  return [placeOutline(piece, { ...point(second.xU * pitch.xMm, second.yU * pitch.yMm), rotationDeg: 0 })];
}

/** A momentary switch with a cap. */
export const key: ControlKind<Key> = {
  kind: "key",
  title: "Key",
  article: "a key",
  prefix: "K",
  schema: keySchema,
  partId: "switch-full",
  fresh: (id, label, placement) => ({
    id,
    kind: "key",
    label,
    placement,
    partId: "switch-full",
    widthU: 1,
    heightU: 1,
    second: null,
    stepU: null,
    stabiliser: false,
    profile: "",
    groupId: null,
  }),
  cap: (control, pitch, part) =>
    part.cap
      ? [shapeOutline(part.cap)]
      : [capPiece(control.widthU, control.heightU, pitch), ...secondPiece(control, pitch)],
  body: asPart.body,
  openings: (control, part) => [
    ...asPart.openings(control, part),
    ...(control.stabiliser ? (stabiliserOf(control)?.openings ?? []) : []),
  ],
  elements: (control) => [press(control).element],
  inputs: (control) => [press(control).input],
  describe: (control) =>
    `${control.widthU} × ${control.heightU} u${control.second ? ", L-shaped" : ""}${control.stepU ? ", stepped" : ""}`,
};

/** Pin places of a cross-stem full-height switch about its centre (common practice). */
const press = (control: Key) => pressOf(control, control.label, ["1", "2"], [point(-3.81, -2.54), point(2.54, -5.08)]);
