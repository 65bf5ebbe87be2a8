import { adoptPinPlan } from "./pins";
import type { Design } from "../document/schema";
import { type PinPlanMode, planPins } from "../pins/planPins";

/** Plans the pins and takes the plan over. */
export const shareOutPins = (design: Design, mode: PinPlanMode = "afresh"): Design =>
  adoptPinPlan(design, planPins(design, mode));
