import { AXIS_DO } from "../contract/axes";
import { z } from "../schema";
import type { AxisUseKind } from "./axisUseKind";

const schema = z.strictObject({ does: z.literal("place"), along: z.enum(["across", "down"]) });
export type PlaceUse = z.infer<typeof schema>;

/** Where it stands is where the pointer stands on the screen, from edge to edge. */
export const placeUse: AxisUseKind<PlaceUse> = {
  does: "place",
  title: "Put the pointer where it stands",
  schema,
  fresh: (end) => ({ does: "place", along: end === "y" ? "down" : "across" }),
  phrase: ({ along }) => `the pointer's place ${along === "across" ? "across" : "down"} the screen`,
  report: "place",
  encode: ({ along }) => ({ does: AXIS_DO.PLACE, which: along === "across" ? 0 : 1, speed: 0 }),
};
