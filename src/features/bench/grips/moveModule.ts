import { derive } from "@/core/derived/derive";
import { onHalf } from "@/core/derived/halves";
import { moveController } from "@/core/edits/pins";
import type { Design } from "@/core/document/schema";
import { type Point, distanceMm } from "@/core/geometry/point";
import { edit } from "@/store/bench";
import { CLICK_MM, type Grip, snapMm } from "./grip";

const STEP_MM = 0.5;

/** The controller follows the hand, at half millimetres. */
export function moveModule(design: Design, controllerId: string, from: Point): Grip {
  const move = (d: Design, to: Point, fine: boolean): Design => {
    const place = derive(d).controller?.placement;
    if (!place) return d;
    return moveController(d, {
      xMm: snapMm(place.xMm + to.xMm - from.xMm, STEP_MM, fine),
      yMm: snapMm(place.yMm + to.yMm - from.yMm, STEP_MM, fine),
    });
  };
  const moved = (d: Design, to: Point, fine: boolean) => onHalf(controllerId, (half) => move(half, to, fine))(d);
  return {
    follow: ({ at, event }) => ({ preview: moved(design, at, event.altKey) }),
    end({ at, event }) {
      if (distanceMm(from, at) > CLICK_MM) edit("move the controller", (d) => moved(d, at, event.altKey));
    },
  };
}
