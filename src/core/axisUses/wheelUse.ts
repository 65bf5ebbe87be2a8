import { AXIS_DO } from "../contract/axes";
import { whole, z } from "../schema";
import type { AxisUseKind } from "./axisUseKind";
import { speedWord } from "./pointerUse";

const schema = z.strictObject({
  does: z.literal("wheel"),
  along: z.enum(["right", "up"]),
  /** Steps a second at the end of its way. */
  speed: whole(1, 500),
});
export type WheelUse = z.infer<typeof schema>;

/** The farther it is from where it rests, the faster the wheel turns. */
export const wheelUse: AxisUseKind<WheelUse> = {
  does: "wheel",
  title: "Turn the wheel",
  schema,
  fresh: (end) => ({ does: "wheel", along: end === "x" ? "right" : "up", speed: 20 }),
  phrase: ({ along, speed }) => `the wheel ${along === "right" ? "sideways" : "up and down"}, up to ${speed} steps/s`,
  report: "pointer",
  encode: ({ along, speed }) => ({ does: AXIS_DO.WHEEL, which: along === "right" ? 0 : 1, speed: speedWord(speed) }),
};
