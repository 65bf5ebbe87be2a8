import { AXIS_DO } from "../contract/axes";
import { padAxes, padAxisNames } from "../hid/padShape";
import { z } from "../schema";
import type { AxisUseKind } from "./axisUseKind";

const schema = z.strictObject({ does: z.literal("pad"), axis: z.enum(padAxes) });
export type PadUse = z.infer<typeof schema>;

/** Its place is an axis of the game pad. Several on one axis add up. */
export const padUse: AxisUseKind<PadUse> = {
  does: "pad",
  title: "Axis of the game pad",
  schema,
  fresh: (end) => ({ does: "pad", axis: end === "x" || end === "y" || end === "z" ? end : "slider" }),
  phrase: ({ axis }) => `axis ${padAxisNames[axis]} of the game pad`,
  report: "pad",
  padAxis: ({ axis }) => axis,
  encode: ({ axis }, declared) => {
    const which = declared.indexOf(axis);
    return which < 0 ? { does: AXIS_DO.NOTHING, which: 0, speed: 0 } : { does: AXIS_DO.PAD, which, speed: 0 };
  },
};
