import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { clearanceMm } from "../geometry/clearance";
import { plugBlockers } from "../layout/keepOuts";
import { crossingPaths, leadPaths, wireMm } from "../pins/leads";
import { type PinPlanResult, planPins } from "../pins/planPins";
import { moveController } from "./pins";

/** The module turned, with the plan that suits it there. */
export interface ModuleTurn {
  rotationDeg: number;
  plan: PinPlanResult;
  crossings: number;
  wireMm: number;
}

const STEPS_DEG = [0, 90, 180, 270];

/** Controls in the module's way: caps beneath it when it lies on the parts side, and what stands before its plug. */
function inTheWay(design: Design): number {
  const derived = derive(design);
  const { controller, moduleOutline, caps } = derived;
  if (!controller || !moduleOutline) return 0;
  const covered = controller.side === "under" ? [] : caps.filter((cap) => clearanceMm(moduleOutline, cap) < 0);
  return covered.length + plugBlockers(derived).length;
}

/** An angle from -180 up to 180 degrees. */
const tidyDeg = (deg: number) => ((((deg + 180) % 360) + 360) % 360) - 180;

/**
 * The pins planned anew with the module as it lies and turned by quarters, the best first: fewest nets without a pin,
 * then fewest leads that cross as they are laid around the module, then the shortest. Locked pins stay locked.
 */
export function moduleTurns(design: Design): ModuleTurn[] {
  const [main] = derive(design).controllers;
  if (!main?.profile) return [];
  const most = inTheWay(design);
  const turns = STEPS_DEG.flatMap((step): ModuleTurn[] => {
    const rotationDeg =
      step === 0 ? main.controller.placement.rotationDeg : tidyDeg(main.controller.placement.rotationDeg + step);
    const turned = moveController(design, { rotationDeg });
    if (step !== 0 && inTheWay(turned) > most) return [];
    const plan = planPins(turned);
    const crossings = crossingPaths(leadPaths(turned, plan.assignments)).length;
    return [{ rotationDeg, plan, crossings, wireMm: wireMm(turned, plan.assignments) }];
  });
  return turns.sort(
    (a, b) => a.plan.unplaced.length - b.plan.unplaced.length || a.crossings - b.crossings || a.wireMm - b.wireMm,
  );
}
