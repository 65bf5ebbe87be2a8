import { shiftControls } from "@/core/edits/controls";
import type { Design } from "@/core/document/schema";
import { type Point, distanceMm } from "@/core/geometry/point";
import { edit } from "@/store/bench";
import { select } from "@/store/hand";
import { CLICK_MM, type Grip, SNAP_PARTS, snapMm } from "./grip";

/** Shifts parts: one step to undo, named by how many they are. */
export function shiftParts(ids: string[], xMm: number, yMm: number): void {
  if (xMm !== 0 || yMm !== 0)
    edit(`move ${ids.length === 1 ? "1 part" : `${ids.length} parts`}`, (d) => shiftControls(d, ids, xMm, yMm));
}

/** Parts follow the hand; a click on one of several picks that one out. */
export function moveParts(design: Design, ids: string[], under: string, from: Point): Grip {
  const shift = (to: Point, fine: boolean): [number, number] => [
    snapMm(to.xMm - from.xMm, design.pitch.xMm / SNAP_PARTS, fine),
    snapMm(to.yMm - from.yMm, design.pitch.yMm / SNAP_PARTS, fine),
  ];
  return {
    follow: ({ at, event }) => ({ preview: shiftControls(design, ids, ...shift(at, event.altKey)) }),
    end: ({ at, event }) => {
      if (distanceMm(at, from) < CLICK_MM) select([under]);
      else shiftParts(ids, ...shift(at, event.altKey));
    },
  };
}
