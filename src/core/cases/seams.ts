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
  /** What it could not be led past: towers and ways for plugs, by what they are called. */
  through: string[];
}

/** A dovetail: neck, head and length. */
export const TOOTH_MM = { neck: 7, head: 11, long: 7 };
const TOOTH_PITCH_MM = 30;
/** Kept free on both sides of a seam. */
const CLEAR_MM = 2;
/** A seam may stray so far from equal parts, as a share of a part; so much larger a part may become. */
const STRAY = 0.1;
/** Along one axis; and so many times more of them than are needed, where that spares a tower. */
const MOST_PARTS = 12;
const MORE_PARTS = 2;

const other = (axis: Seam["axis"]) => (axis === "xMm" ? "yMm" : "xMm");

/** What a seam must not run through, in the frame: middles and half widths. */
interface Guarded {
  title: string;
  at: Point;
  halfMm: number;
}

function guardedOf({ towers, openings, turnDeg }: CasePlan): Guarded[] {
  const turned = (p: Point) => rotate(p, -turnDeg);
  return [
    ...towers.map(({ label, at, outerMm, holeMm }) => ({
      title: label,
      at: turned(at),
      halfMm: Math.max(outerMm, holeMm) / 2 + CLEAR_MM,
    })),
    ...openings.map(({ title, at, widthMm }) => ({
      title: `the ${title}`,
      at: turned(at),
      halfMm: widthMm / 2 + CLEAR_MM,
    })),
  ];
}

const boxOfRing = (ring: Ring) => boundsOf([{ core: ring, radiusMm: 0 }])!;

interface Parts {
  x: number;
  y: number;
}

/** Numbers of parts along each axis with which each part fits the bed either way round; few first. */
function partsThatFit(across: number, down: number, bed: Bed): Parts[] {
  const room = TOOTH_MM.long + 1;
  const size = (whole: number, count: number) => (count === 1 ? whole : (whole / count) * (1 + 2 * STRAY) + room);
  const fitting: Parts[] = [];
  for (let x = 1; x <= MOST_PARTS; x++)
    for (let y = 1; y <= MOST_PARTS; y++) {
      const [w, h] = [size(across, x), size(down, y)];
      const long = Math.max(w, h) <= Math.max(bed.widthMm, bed.heightMm);
      if (long && Math.min(w, h) <= Math.min(bed.widthMm, bed.heightMm)) fitting.push({ x, y });
    }
  return fitting.sort((a, b) => a.x * a.y - b.x * b.y);
}

/** What a seam with its teeth runs through at a place. */
const hitAt = (axis: Seam["axis"], at: number, guarded: Guarded[]): Guarded[] =>
  guarded.filter(({ at: p, halfMm }) => p[axis] + halfMm >= at && p[axis] - halfMm <= at + TOOTH_MM.long);

/** The place nearest to the aim at which the seam and its teeth run through the least that is guarded. */
function placeFor(axis: Seam["axis"], aim: number, stray: number, guarded: Guarded[]): number {
  let [best, hits] = [aim, Infinity];
  for (let by = 0; by <= stray; by += 0.5)
    for (const at of [aim + by, aim - by]) {
      const count = hitAt(axis, at, guarded).length;
      if (count < hits) [best, hits] = [at, count];
    }
  return best;
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

/** Where the seams of so many parts would lie, each led past what it can be led past. */
function placesOf({ x, y }: Parts, ring: Ring, guarded: Guarded[]): SeamPlace[] {
  const box = boxOfRing(ring);
  const along = (axis: Seam["axis"], from: number, to: number, count: number) =>
    Array.from({ length: count - 1 }, (_, nth) => {
      const aim = from + ((to - from) * (nth + 1)) / count - TOOTH_MM.long / 2;
      return { axis, atMm: placeFor(axis, aim, ((to - from) / count) * STRAY, guarded) };
    });
  return [...along("xMm", box.minXMm, box.maxXMm, x), ...along("yMm", box.minYMm, box.maxYMm, y)];
}

/**
 * The seams at which a case is cut to fit a bed: none where it fits whole; null where no sensible number of parts does. The fewest parts, unless some more
 * spare a tower or a plug's way.
 * @param outside the case's outline and the floor's free area, in the frame that most parts share
 */
export function seamsFor(plan: CasePlan, outside: Ring, inside: Ring[], bed: Bed): Seam[] | null {
  if (fitInto(outside, bed).fits) return [];
  const box = boxOfRing(outside);
  const fitting = partsThatFit(box.maxXMm - box.minXMm, box.maxYMm - box.minYMm, bed);
  if (fitting.length === 0) return null;
  const guarded = guardedOf(plan);
  const most = MORE_PARTS * fitting[0].x * fitting[0].y;
  let places: SeamPlace[] = [];
  let hits = Infinity;
  for (const parts of fitting) {
    if (hits === 0 || parts.x * parts.y > most) break;
    const tried = placesOf(parts, outside, guarded);
    const count = tried.reduce((sum, { axis, atMm }) => sum + hitAt(axis, atMm, guarded).length, 0);
    if (count < hits) [places, hits] = [tried, count];
  }
  return places.map((seam) => ({
    ...seam,
    teethMm: teethAt(seam, places, inside, guarded),
    through: hitAt(seam.axis, seam.atMm, guarded).map(({ title }) => title),
  }));
}
