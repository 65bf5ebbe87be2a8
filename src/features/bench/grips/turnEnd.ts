import { type Point } from "@/core/geometry/point";
import { turnElement } from "@/store/session";
import type { Grip } from "./grip";

const DEGREES_A_STEP = 15;

const angleDeg = (centre: Point, at: Point) => (Math.atan2(at.yMm - centre.yMm, at.xMm - centre.xMm) * 180) / Math.PI;

/** A knob follows the pointer round it, a step every few degrees; the solder side turns the other way. */
export function turnEnd(elementId: string, centre: Point, from: Point): Grip {
  let angle = angleDeg(centre, from);
  return {
    follow({ at }) {
      let by = angleDeg(centre, at) - angle;
      if (by > 180) by -= 360;
      if (by < -180) by += 360;
      const steps = Math.trunc(by / DEGREES_A_STEP);
      if (steps === 0) return;
      angle += steps * DEGREES_A_STEP;
      turnElement(elementId, steps);
    },
    end: () => {},
  };
}
