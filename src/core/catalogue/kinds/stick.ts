import { between, listOf, z } from "../../schema";
import { type ControlKind, asPart, beyondOf, contactRow, controlFields, elementOf, switchOf } from "./controlKind";

const stickSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("stick"),
  /** Axes that are read as voltages; the third is a turn of the handle. */
  axes: z.union([z.literal(2), z.literal(3)]),
  push: z.boolean(),
  /** The tracks from end to end; 10 kΩ where nothing is said. */
  trackOhm: z.optional(between(100, 1e6)),
  /** Where it came to rest each time it was let go, as parts of the converter's range. */
  rests: z.optional(listOf(z.strictObject({ x: between(0, 1), y: between(0, 1) }), 500)),
});
export type Stick = z.infer<typeof stickSchema>;

const AXES = ["X", "Y", "Z"];

/** A stick on two or three potentiometers, optionally with a push switch. */
export const stick: ControlKind<Stick> = {
  kind: "stick",
  title: "Stick",
  article: "a stick",
  prefix: "S",
  schema: stickSchema,
  partId: "stick-thumb",
  fresh: (id, label, placement) => ({
    id,
    kind: "stick",
    label,
    placement,
    partId: "stick-thumb",
    axes: 2,
    push: true,
  }),
  ...asPart,
  elements: (control) => [...axesOf(control), ...(control.push ? [push(control).element] : [])],
  inputs: (control) => [
    ...(control.push ? [push(control).input] : []),
    ...axesOf(control).flatMap((axis) => beyondOf(axis, ["high", "low"])),
  ],
  describe: (control) => `${control.axes} axes${control.push ? ", can be pushed" : ""}`,
};

const axesOf = (control: Stick) =>
  AXES.slice(0, control.axes).map((axis, nth) =>
    elementOf(
      control,
      axis.toLowerCase(),
      "analog",
      `${control.label} ${axis}`,
      contactRow(control.id, [`${axis}1`, `${axis}2`, `${axis}3`], 10 + nth * 2.54, 2.5),
    ),
  );

const push = (control: Stick) =>
  switchOf(control, "press", `${control.label} push`, contactRow(control.id, ["S1", "S2"], -9.5));
