import { moveController } from "@/core/edits/pins";
import type { Design } from "@/core/document/schema";
import { type Point, distanceMm } from "@/core/geometry/point";
import { edit } from "@/store/bench";
import { CLICK_MM, type Grip, snapMm } from "./grip";

const STEP_MM = 0.5;

/** A controller follows the hand, at half millimetres. */
export function moveModule(design: Design, controllerId: string, from: Point): Grip {
  const moved = (d: Design, to: Point, fine: boolean): Design => {
    const place = d.controllers.find(({ id }) => id === controllerId)?.placement;
    if (!place) return d;
    const at = {
      xMm: snapMm(place.xMm + to.xMm - from.xMm, STEP_MM, fine),
      yMm: snapMm(place.yMm + to.yMm - from.yMm, STEP_MM, fine),
    };
    return moveController(d, at, controllerId);
  };
  return {
    follow: ({ at, event }) => ({ preview: moved(design, at, event.altKey) }),
    end({ at, event }) {
      if (distanceMm(from, at) > CLICK_MM) edit("move the controller", (d) => moved(d, at, event.altKey));
    },
  };
}
