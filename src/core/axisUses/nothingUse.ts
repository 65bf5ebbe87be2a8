import { AXIS_DO } from "../contract/axes";
import { z } from "../schema";
import type { AxisUseKind } from "./axisUseKind";

const schema = z.strictObject({ does: z.literal("nothing") });
export type NothingUse = z.infer<typeof schema>;

/** It moves nothing on this layer, whatever it does beneath; its keys and its value are as they are. */
export const nothingUse: AxisUseKind<NothingUse> = {
  does: "nothing",
  title: "Nothing",
  schema,
  fresh: () => ({ does: "nothing" }),
  phrase: () => "nothing",
  report: null,
  encode: () => ({ does: AXIS_DO.NOTHING, which: 0, speed: 0 }),
};
