import type { Point } from "../geometry/point";
import type { PlacedElement } from "./net";
import { middleOf } from "./circuitBuilder";

interface Weighed {
  element: PlacedElement;
  at: Point;
  /** Lines that it takes of a part. */
  lines: number;
}

const spread = (all: Weighed[], axis: "xMm" | "yMm") => {
  const values = all.map(({ at }) => at[axis]);
  return Math.max(...values) - Math.min(...values);
};

const linesIn = (all: Weighed[]) => all.reduce((sum, { lines }) => sum + lines, 0);

/** Cuts a set across its longer side into as many groups as it takes parts, each full but the last. */
function cut(all: Weighed[], capacity: number): Weighed[][] {
  const parts = Math.ceil(linesIn(all) / capacity);
  if (parts <= 1) return [all];
  const axis = spread(all, "xMm") >= spread(all, "yMm") ? "xMm" : "yMm";
  const sorted = [...all].sort((a, b) => a.at[axis] - b.at[axis]);
  const room = Math.floor(parts / 2) * capacity;
  let filled = 0;
  let from = 0;
  while (from < sorted.length && filled + sorted[from].lines <= room) filled += sorted[from++].lines;
  // An element of two lines that does not fit whole waits; small ones behind it fill the gap.
  return [...cut(sorted.slice(0, from), capacity), ...cut(sorted.slice(from), capacity)];
}

/** Round the middle from below over the left: the order in which the inputs lie round a multiplexer. */
function round(group: Weighed[]): Weighed[] {
  const middle = middleOf(group.map(({ element }) => element));
  const turn = ({ at }: Weighed) => {
    const angle = Math.atan2(middle.xMm - at.xMm, at.yMm - middle.yMm);
    return angle < 0 ? angle + 2 * Math.PI : angle;
  };
  return [...group].sort((a, b) => turn(a) - turn(b));
}

/**
 * An order of members in which those of one added part lie together, and round it in turn, so that branches are short
 * and seldom cross.
 * @param capacity lines of one part
 * @param linesOf how many lines an element takes
 */
export function orderByPlace(
  elements: PlacedElement[],
  capacity: number,
  linesOf: (element: PlacedElement) => number,
): string[] {
  const all = elements.map((element) => ({ element, at: middleOf([element]), lines: linesOf(element) }));
  if (all.length === 0) return [];
  return cut(all, capacity).flatMap((group) => round(group).map(({ element }) => element.id));
}
