import { clearanceMm } from "./clearance";
import { type Outline, boxOf } from "./outline";

/** Two outlines, by index, that are nearer than asked. */
export interface ClosePair {
  a: number;
  b: number;
  clearanceMm: number;
}

/**
 * All pairs with a clearance below `withinMm`, each once with a < b.
 * Sweeps the outlines from left to right, so that only neighbours are measured. An outline that is near `most` others
 * already is in a crowd and measured against no more: a thousand in one place would be half a million pairs.
 */
export function closePairs(outlines: Outline[], withinMm: number, most = Infinity): ClosePair[] {
  const swept = outlines
    .map((outline, index) => ({ outline, index, box: boxOf(outline) }))
    .sort((p, q) => p.box.minXMm - q.box.minXMm);
  const pairs: ClosePair[] = [];
  const partners = new Uint32Array(outlines.length);
  swept.forEach((left, at) => {
    for (let next = at + 1; next < swept.length; next++) {
      const right = swept[next];
      if (right.box.minXMm - left.box.maxXMm >= withinMm) break;
      if (partners[left.index] >= most || partners[right.index] >= most) continue;
      if (right.box.minYMm - left.box.maxYMm >= withinMm || left.box.minYMm - right.box.maxYMm >= withinMm) continue;
      const gap = clearanceMm(left.outline, right.outline);
      if (gap >= withinMm) continue;
      partners[left.index] += 1;
      partners[right.index] += 1;
      pairs.push({ a: Math.min(left.index, right.index), b: Math.max(left.index, right.index), clearanceMm: gap });
    }
  });
  return pairs.sort((p, q) => p.a - q.a || p.b - q.b);
}
