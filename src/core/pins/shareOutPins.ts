import { takePinPlan } from "../design/edits/pins";
import type { Design } from "../design/schema";
import { type PinPlanMode, planPins } from "./planPins";

/** Plans the pins and takes the plan over. */
export const shareOutPins = (design: Design, mode: PinPlanMode = "afresh"): Design =>
  takePinPlan(design, planPins(design, mode));
