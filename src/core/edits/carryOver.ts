import { derive } from "../derived/derive";
import { chooseController } from "./pins";
import type { Design } from "../document/schema";
import { shareOutPins } from "./shareOutPins";

/**
 * Takes another controller class with the least changes: pins of the same name that can serve their nets stay, the
 * others are planned anew around them. A design without a pin plan only gets the controller.
 */
export function carryOver(design: Design, profileId: string): Design {
  const had = Object.keys(design.pinPlan).length;
  const chosen = chooseController(design, profileId);
  if (had === 0 || !derive(chosen).profile) return chosen;
  return shareOutPins(chosen, "fewest-moves");
}
