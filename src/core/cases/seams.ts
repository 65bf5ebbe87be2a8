import type { Bed } from "../document/makingSettings";
import { boundsOf } from "../geometry/outline";
import { type Point, point, rotate } from "../geometry/point";
import { type Ring, isInside } from "../geometry/ring";
import { fitInto } from "../geometry/smallestRectangle";
import type { CasePlan } from "./casePlan";

/** A cut across the case, in the frame that most parts share: at a place along one axis, with teeth that hold both sides together. */
export interface Seam {
  axis: "xMm" | "yMm";
  atMm: number;
  /** Middles of the teeth along the other axis. */
  teethMm: number[];
}

/** A dovetail: neck, head and length. */
export const TOOTH_MM = { neck: 7, head: 11, long: 7 };
const TOOTH_PITCH_MM = 30;
/** Kept free on both sides of a seam. */
const CLEAR_MM = 2;
/** A seam may stray so far from equal parts, as a share of a part; so much larger a part may become. */
const STRAY = 0.1;

const other = (axis: Seam["axis"]) => (axis === "xMm" ? "yMm" : "xMm");

/** What a seam must not run through, in the frame: middles and half widths. */
interface Guarded {
  at: Point;
  halfMm: number;
}

function guardedOf({ towers, openings, turnDeg }: CasePlan): Guarded[] {
  const turned = (p: Point) => rotate(p, -turnDeg);
  return [
    ...towers.map(({ at, outerMm, holeMm }) => ({ at: turned(at), halfMm: Math.max(outerMm, holeMm) / 2 + CLEAR_MM })),
    ...openings.map(({ at, widthMm }) => ({ at: turned(at), halfMm: widthMm / 2 + CLEAR_MM })),
  ];
}

const boxOfRing = (ring: Ring) => boundsOf([{ core: ring, radiusMm: 0 }])!;

/** How many parts along each axis, so that each fits the bed either way round; the fewest. */
function partsNeeded(across: number, down: number, bed: Bed): { x: number; y: number } | null {
  const room = TOOTH_MM.long + 1;
  let best: { x: number; y: number } | null = null;
  for (let x = 1; x <= 12; x++)
    for (let y = 1; y <= 12; y++) {
      const w = x === 1 ? across : (across / x) * (1 + 2 * STRAY) + room;
      const h = y === 1 ? down : (down / y) * (1 + 2 * STRAY) + room;
      const long = Math.max(w, h) <= Math.max(bed.widthMm, bed.heightMm);
      const short = Math.min(w, h) <= Math.min(bed.widthMm, bed.heightMm);
      if (long && short && (!best || x * y < best.x * best.y)) best = { x, y };
    }
  return best;
}

/** The place nearest to the aim at which the seam and its teeth run through nothing guarded; the aim where there is none. */
function placeFor(axis: Seam["axis"], aim: number, stray: number, guarded: Guarded[]): number {
  const isFree = (at: number) =>
    guarded.every(({ at: p, halfMm }) => p[axis] + halfMm < at || p[axis] - halfMm > at + TOOTH_MM.long);
  for (let by = 0; by <= stray; by += 0.5) for (const at of [aim + by, aim - by]) if (isFree(at)) return at;
  return aim;
}

type SeamPlace = Pick<Seam, "axis" | "atMm">;

/** Teeth only in the floor: where the head and some air lie well within the walls, off what is guarded and off seams that cross. */
function teethAt({ axis, atMm: at }: SeamPlace, all: SeamPlace[], inside: Ring[], guarded: Guarded[]): number[] {
  const crossing = all.filter((one) => one.axis !== axis).map(({ atMm }) => atMm);
  const along = other(axis);
  const boxes = inside.map(boxOfRing);
  const from = Math.min(...boxes.map((box) => (along === "xMm" ? box.minXMm : box.minYMm)));
  const to = Math.max(...boxes.map((box) => (along === "xMm" ? box.maxXMm : box.maxYMm)));
  const half = TOOTH_MM.head / 2 + 2;
  const isSound = (middle: number) =>
    crossing.every((one) => middle + half < one - CLEAR_MM || middle - half > one + TOOTH_MM.long + CLEAR_MM) &&
    [-half, 0, half].every((by) =>
      [-2, TOOTH_MM.long + 2].every((deep) => {
        const p = axis === "xMm" ? point(at + deep, middle + by) : point(middle + by, at + deep);
        return inside.some((ring) => isInside(p, ring));
      }),
    ) &&
    guarded.every(
      ({ at: p, halfMm }) =>
        Math.abs(p[along] - middle) > halfMm + half || p[axis] + halfMm < at || p[axis] - halfMm > at + TOOTH_MM.long,
    );
  const teeth: number[] = [];
  for (let middle = from; middle <= to; middle += 1)
    if (isSound(middle) && (teeth.length === 0 || middle - teeth[teeth.length - 1] >= TOOTH_PITCH_MM))
      teeth.push(middle);
  return teeth;
}

/**
 * The seams at which a case is cut to fit a bed: none where it fits whole; null where no sensible number of parts does.
 * @param outside the case's outline and the floor's free area, in the frame that most parts share
 */
export function seamsFor(plan: CasePlan, outside: Ring, inside: Ring[], bed: Bed): Seam[] | null {
  if (fitInto(outside, bed).fits) return [];
  const box = boxOfRing(outside);
  const [across, down] = [box.maxXMm - box.minXMm, box.maxYMm - box.minYMm];
  const parts = partsNeeded(across, down, bed);
  if (!parts) return null;
  const guarded = guardedOf(plan);
  const along = (axis: Seam["axis"], from: number, length: number, count: number) =>
    Array.from({ length: count - 1 }, (_, nth) => {
      const aim = from + (length * (nth + 1)) / count - TOOTH_MM.long / 2;
      return { axis, atMm: placeFor(axis, aim, (length / count) * STRAY, guarded) };
    });
  const places = [...along("xMm", box.minXMm, across, parts.x), ...along("yMm", box.minYMm, down, parts.y)];
  return places.map((seam) => ({ ...seam, teethMm: teethAt(seam, places, inside, guarded) }));
}
