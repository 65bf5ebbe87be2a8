import { between, z } from "../../schema";
import { roundedRectangle } from "../../layout/outline";
import { point } from "../../layout/point";
import { type ControlKind, controlFields, pressOf } from "./controlKind";

const keySchema = z.strictObject({
  ...controlFields,
  kind: z.literal("key"),
  /** Cap width and height in units of the pitch. */
  widthU: between(0.5, 10),
  heightU: between(0.5, 4),
});
export type Key = z.infer<typeof keySchema>;

/** Space a cap leaves to the edge of its unit cell, all round (common practice: an 18.1 mm cap on a 19.05 mm pitch). */
const CAP_INSET_MM = 0.475;
/** Upper housing of a cross-stem full-height switch (common practice). */
const BODY_MM = 15.6;

/** A momentary switch with a cap. */
export const key: ControlKind<Key> = {
  kind: "key",
  title: "Key",
  article: "a key",
  prefix: "K",
  schema: keySchema,
  fresh: (id, label, placement) => ({ id, kind: "key", label, placement, widthU: 1, heightU: 1 }),
  cap: (control, pitch) =>
    roundedRectangle(
      control.widthU * pitch.xMm - 2 * CAP_INSET_MM,
      control.heightU * pitch.yMm - 2 * CAP_INSET_MM,
      Math.min(1.6, (Math.min(control.widthU, control.heightU) * pitch.xMm) / 4),
    ),
  body: () => roundedRectangle(BODY_MM, BODY_MM, 0.5),
  elements: (control) => [press(control).element],
  inputs: (control) => [press(control).input],
  describe: (control) => `${control.widthU} × ${control.heightU} u`,
};

/** Pin places of a cross-stem full-height switch about its centre (common practice). */
const press = (control: Key) => pressOf(control, control.label, ["1", "2"], [point(-3.81, -2.54), point(2.54, -5.08)]);
