import type { Design } from "@/core/document/schema";
import { adoptPinPlan, chooseController } from "@/core/edits/pins";
import { planPins } from "@/core/pins/planPins";

/** The design on the small 5 V class, with the app's own pin plan. */
export function onSmallClass(design: Design): Design {
  const moved = chooseController(design, "small-5v-18");
  return adoptPinPlan(moved, planPins(moved));
}
