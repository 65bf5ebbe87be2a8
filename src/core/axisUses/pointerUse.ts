import { POINTER } from "../contract/contract";
import { AXIS_DO } from "../contract/axes";
import { whole, z } from "../schema";
import type { AxisUseKind } from "./axisUseKind";

export const POINTER_SPEED_MOST = 7900;

const schema = z.strictObject({
  does: z.literal("pointer"),
  along: z.enum(["right", "down"]),
  /** Counts a second at the end of its way. */
  speed: whole(10, POINTER_SPEED_MOST),
});
export type PointerUse = z.infer<typeof schema>;

/** Counts, or steps of a wheel, a millisecond as the firmware reckons them. */
export const speedWord = (aSecond: number): number => Math.round((aSecond / 1000) * 2 ** POINTER.FRACTION_BITS);

/** The farther it is from where it rests, the faster the pointer moves. */
export const pointerUse: AxisUseKind<PointerUse> = {
  does: "pointer",
  title: "Move the pointer",
  schema,
  fresh: (end) => ({ does: "pointer", along: end === "y" ? "down" : "right", speed: 800 }),
  phrase: ({ along, speed }) =>
    `the pointer ${along === "right" ? "sideways" : "up and down"}, up to ${speed} counts/s`,
  report: "pointer",
  encode: ({ along, speed }) => ({ does: AXIS_DO.POINTER, which: along === "right" ? 0 : 1, speed: speedWord(speed) }),
};
