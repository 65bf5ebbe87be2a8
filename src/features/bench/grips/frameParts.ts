import type { Design } from "@/core/document/schema";
import type { Point } from "@/core/geometry/point";
import { select } from "@/store/hand";
import type { Box } from "@/ui/mat/view";
import type { Grip } from "./grip";

const boxOf = (a: Point, b: Point): Box => ({
  minXMm: Math.min(a.xMm, b.xMm),
  minYMm: Math.min(a.yMm, b.yMm),
  maxXMm: Math.max(a.xMm, b.xMm),
  maxYMm: Math.max(a.yMm, b.yMm),
});

const within = (box: Box, { xMm, yMm }: Point) =>
  xMm >= box.minXMm && xMm <= box.maxXMm && yMm >= box.minYMm && yMm <= box.maxYMm;

/** A frame drawn on the mat selects the parts in it, beside those it is added to. */
export const frameParts = (design: Design, from: Point, added: string[]): Grip => ({
  follow: ({ at }) => ({ frame: boxOf(from, at) }),
  end({ at }) {
    const box = boxOf(from, at);
    const inside = design.controls.filter((control) => within(box, control.placement)).map(({ id }) => id);
    select([...new Set([...added, ...inside])]);
  },
});
