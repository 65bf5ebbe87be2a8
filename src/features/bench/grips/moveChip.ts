import { derive } from "@/core/derived/derive";
import { placeChip } from "@/core/edits/chips";
import type { Design } from "@/core/document/schema";
import { type Point, distanceMm } from "@/core/geometry/point";
import { edit } from "@/store/bench";
import { CLICK_MM, type Grip, snapMm } from "./grip";

const STEP_MM = 0.5;

/** An added part follows the hand, at half millimetres. */
export function moveChip(design: Design, chipId: string, from: Point): Grip {
  const moved = (d: Design, to: Point, fine: boolean): Design => {
    const chip = derive(d).chips.find(({ id }) => id === chipId);
    if (!chip) return d;
    return placeChip(d, chipId, {
      xMm: snapMm(chip.at.xMm + to.xMm - from.xMm, STEP_MM, fine),
      yMm: snapMm(chip.at.yMm + to.yMm - from.yMm, STEP_MM, fine),
    });
  };
  return {
    follow: ({ at, event }) => ({ preview: moved(design, at, event.altKey) }),
    end({ at, event }) {
      if (distanceMm(from, at) > CLICK_MM) edit("move an added part", (d) => moved(d, at, event.altKey));
    },
  };
}
