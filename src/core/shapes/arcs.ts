import { between, whole, z } from "../schema";
import { place, point } from "../geometry/point";
import { type Slot, type StartShape, numberField, wholeField, yesNoField } from "./startShape";

/** On a circle about the origin; 0° is at the top, positive turns clockwise. */
export function onCircle(radiusMm: number, degrees: number[], turned: boolean): Slot[] {
  return degrees.map((rotationDeg) => ({
    ...place(point(0, -radiusMm), { xMm: 0, yMm: 0, rotationDeg }),
    rotationDeg: turned ? ((rotationDeg + 180) % 360) - 180 : 0,
  }));
}

const arcSchema = z.strictObject({
  shape: z.literal("arc"),
  count: whole(1, 60),
  radiusMm: between(5, 600),
  fromDeg: between(-180, 180),
  toDeg: between(-180, 180),
  turned: z.boolean(),
});
type Arc = z.infer<typeof arcSchema>;

export const arc: StartShape<Arc> = {
  shape: "arc",
  title: "Arc",
  schema: arcSchema,
  fresh: { shape: "arc", count: 7, radiusMm: 90, fromDeg: -40, toDeg: 40, turned: true },
  fields: [
    wholeField("count", "Count", 1, 60),
    numberField("radiusMm", "Radius", "mm", 5, 600),
    numberField("fromDeg", "From", "°", -180, 180),
    numberField("toDeg", "To", "°", -180, 180),
    yesNoField("turned", "Turned along the arc"),
  ],
  slots: ({ count, radiusMm, fromDeg, toDeg, turned }) => {
    const step = count > 1 ? (toDeg - fromDeg) / (count - 1) : 0;
    return onCircle(
      radiusMm,
      Array.from({ length: count }, (_, nth) => fromDeg + nth * step),
      turned,
    );
  },
};

const circleSchema = z.strictObject({
  shape: z.literal("circle"),
  count: whole(1, 60),
  radiusMm: between(5, 600),
  startDeg: between(-180, 180),
  turned: z.boolean(),
});
type Circle = z.infer<typeof circleSchema>;

export const circleShape: StartShape<Circle> = {
  shape: "circle",
  title: "Circle",
  schema: circleSchema,
  fresh: { shape: "circle", count: 8, radiusMm: 45, startDeg: 0, turned: false },
  fields: [
    wholeField("count", "Count", 1, 60),
    numberField("radiusMm", "Radius", "mm", 5, 600),
    numberField("startDeg", "First at", "°", -180, 180),
    yesNoField("turned", "Turned along the circle"),
  ],
  slots: ({ count, radiusMm, startDeg, turned }) =>
    onCircle(
      radiusMm,
      Array.from({ length: count }, (_, nth) => startDeg + (nth * 360) / count),
      turned,
    ),
};

const fanSchema = z.strictObject({
  shape: z.literal("thumb-fan"),
  count: whole(1, 8),
  radiusMm: between(30, 200),
  stepDeg: between(-60, 60),
  startDeg: between(-90, 90),
});
type ThumbFan = z.infer<typeof fanSchema>;

/** Keys about the joint of a thumb: its reach is an arc, the first key at the origin. */
export const thumbFan: StartShape<ThumbFan> = {
  shape: "thumb-fan",
  title: "Thumb fan",
  schema: fanSchema,
  fresh: { shape: "thumb-fan", count: 3, radiusMm: 75, stepDeg: 17, startDeg: 10 },
  fields: [
    wholeField("count", "Keys", 1, 8),
    numberField("radiusMm", "Radius", "mm", 30, 200),
    numberField("stepDeg", "Step", "°", -60, 60),
    numberField("startDeg", "First turned", "°", -90, 90),
  ],
  slots: ({ count, radiusMm, stepDeg, startDeg }) => {
    const fan = onCircle(
      radiusMm,
      Array.from({ length: count }, (_, nth) => startDeg + nth * stepDeg),
      true,
    );
    return fan.map((slot) => ({ ...slot, xMm: slot.xMm - fan[0].xMm, yMm: slot.yMm - fan[0].yMm }));
  },
};
