import type { Design } from "../document/schema";
import { derive } from "../derived/derive";
import { boardRings } from "../layout/boardOutline";
import { mainTurn } from "../layout/mainTurn";
import { grown } from "../geometry/offsetRing";
import { boundsOf } from "../geometry/outline";
import { type Point, point, rotate } from "../geometry/point";
import { type Ring, clockwise, isInside, outlineRing, ringAreaMm2 } from "../geometry/ring";
import { commonOf } from "../geometry/ringSets";
import { type BedFit, fitInto } from "../geometry/smallestRectangle";
import type { Bed } from "../document/makingSettings";

/** A seam across a board that cuts no opening, with the two pieces it makes. */
export interface SplitProposal {
  /** From edge to edge, on the mat. */
  seam: Point[];
  pieces: { ring: Ring; controlIds: string[]; fit: BedFit }[];
  /** Steps aside that the seam takes. */
  jogs: number;
  /** Both pieces lie on the bed. */
  fits: boolean;
}

/** Plate kept between an opening and the seam (from memory). */
const WALL_MM = 1.6;
const STEP_MM = 0.5;
/** A step aside costs as much as this many mm of detour: a straight seam glues best. */
const JOG_COST = 30;
/** Parts of the width, from the left, where a seam is looked for. */
const AIMS = [0.5, 0.4, 0.6, 0.33, 0.67];

interface Raster {
  minXMm: number;
  minYMm: number;
  columns: number;
  rows: number;
  blocked: Uint8Array;
}

/** Places that a seam may pass, in a frame turned so that most openings are upright. */
function rasterOf(ring: Ring, openings: Ring[]): Raster {
  const box = boundsOf(ring.map((p) => ({ core: [p], radiusMm: 0 })))!;
  const columns = Math.ceil((box.maxXMm - box.minXMm) / STEP_MM) + 1;
  const rows = Math.ceil((box.maxYMm - box.minYMm) / STEP_MM) + 1;
  const raster = { minXMm: box.minXMm, minYMm: box.minYMm, columns, rows, blocked: new Uint8Array(columns * rows) };
  for (const opening of openings) block(raster, opening);
  return raster;
}

function block({ minXMm, minYMm, columns, rows, blocked }: Raster, opening: Ring): void {
  const box = boundsOf(opening.map((p) => ({ core: [p], radiusMm: 0 })))!;
  const from = (mm: number, min: number) => Math.max(0, Math.floor((mm - min) / STEP_MM));
  const to = (mm: number, min: number, most: number) => Math.min(most - 1, Math.ceil((mm - min) / STEP_MM));
  for (let y = from(box.minYMm, minYMm); y <= to(box.maxYMm, minYMm, rows); y++)
    for (let x = from(box.minXMm, minXMm); x <= to(box.maxXMm, minXMm, columns); x++)
      if (isInside(point(minXMm + x * STEP_MM, minYMm + y * STEP_MM), opening)) blocked[y * columns + x] = 1;
}

/**
 * The cheapest way from the upper to the lower edge: straight down, or aside at the cost of a jog. Row by row the
 * least cost of every column is carried down, from above or from the side.
 * @returns the column in every row, before and after stepping aside, or null when every way is blocked
 */
function seamColumns(raster: Raster, aim: number): { x: number; y: number }[] | null {
  const { columns, rows, blocked } = raster;
  const cameFrom = new Int32Array(columns * rows).fill(-1);
  let cost = Float64Array.from({ length: columns }, (_, x) => Math.abs(x / (columns - 1) - aim) * columns * 0.5);
  for (let y = 0; y < rows; y++) {
    const own = cost.map((value, x) => (blocked[y * columns + x] ? Infinity : value));
    const next = own.slice();
    const from = Int32Array.from({ length: columns }, (_, x) => x);
    sweep(own, next, from, blocked.subarray(y * columns, (y + 1) * columns), 1);
    sweep(own, next, from, blocked.subarray(y * columns, (y + 1) * columns), -1);
    cameFrom.set(from, y * columns);
    cost = next;
  }
  let x = cost.indexOf(Math.min(...cost));
  if (!Number.isFinite(cost[x])) return null;
  const path: { x: number; y: number }[] = [];
  for (let y = rows - 1; y >= 0; y--) {
    path.push({ x, y });
    const before = cameFrom[y * columns + x];
    if (before !== x) path.push({ x: before, y });
    x = before;
  }
  return path.reverse();
}

/** Steps aside in one direction: the cost of the column where the step began, one jog, and the way. */
function sweep(own: Float64Array, next: Float64Array, from: Int32Array, blocked: Uint8Array, by: 1 | -1): void {
  const first = by === 1 ? 0 : own.length - 1;
  let best = Infinity;
  let start = -1;
  for (let x = first; x >= 0 && x < own.length; x += by) {
    if (blocked[x]) {
      best = Infinity;
      continue;
    }
    best += STEP_MM;
    if (own[x] + JOG_COST < best) {
      best = own[x] + JOG_COST;
      start = x;
    }
    if (best < next[x]) {
      next[x] = best;
      from[x] = start;
    }
  }
}

/** Corners of a seam only: points on a straight piece are left out. */
function corners(points: Point[]): Point[] {
  return points.filter((p, i) => {
    if (i === 0 || i === points.length - 1) return true;
    const [a, b] = [points[i - 1], points[i + 1]];
    return Math.abs((p.xMm - a.xMm) * (b.yMm - p.yMm) - (p.yMm - a.yMm) * (b.xMm - p.xMm)) > 1e-9;
  });
}

const FAR_MM = 5000;
/** What the polygon library leaves of a seam along an edge is no piece. */
const SLIVER_MM2 = 1;

/** A seam from edge to edge, drawn out beyond both, and the pieces on either side. */
function proposalFrom(
  design: Design,
  ring: Ring,
  seam: Point[],
  downwards: Point,
  ids: string[],
  bed: Bed,
): SplitProposal | null {
  const across = point(-downwards.yMm, downwards.xMm);
  const shifted = (p: Point, by: Point, mm: number) => point(p.xMm + by.xMm * mm, p.yMm + by.yMm * mm);
  const top = shifted(seam[0], downwards, -FAR_MM);
  const bottom = shifted(seam[seam.length - 1], downwards, FAR_MM);
  const line = [top, ...seam, bottom];
  const side = (mm: number) => clockwise([...line, shifted(bottom, across, mm), shifted(top, across, mm)]);
  const pieces = [side(FAR_MM), side(-FAR_MM)].map((half) => {
    // A seam that cuts an arm off leaves more than two pieces: that is no proposal.
    const regions = commonOf(ring, half).filter(({ edge }) => ringAreaMm2(edge) > SLIVER_MM2);
    const [region] = regions.length === 1 ? regions : [];
    const controlIds = design.controls
      .filter(({ id, placement }) => ids.includes(id) && isInside(placement, half))
      .map(({ id }) => id);
    return region ? { ring: clockwise(region.edge), controlIds, fit: fitInto(region.edge, bed) } : null;
  });
  if (pieces.some((piece) => piece === null || piece.controlIds.length === 0)) return null;
  const sound = pieces as SplitProposal["pieces"];
  return { seam, pieces: sound, jogs: Math.max(0, (seam.length - 2) / 2), fits: sound.every(({ fit }) => fit.fits) };
}

/**
 * Seams that split a board in two and cut no opening, for a bed that it does not fit: downwards and across, in the
 * frame that most parts share, aimed at the middle first. The best first: pieces that fit, then few jogs, then balance.
 */
export function proposeSplits(design: Design, boardId: string, bed: Bed): SplitProposal[] {
  const nth = design.boards.findIndex(({ id }) => id === boardId);
  const ring = boardRings(design)[nth];
  if (!ring) return [];
  const { openings, bodies } = derive(design);
  const isOn = (owner: number) => design.controls[owner].placement.boardId === boardId;
  const ids = design.controls.filter((_, owner) => isOn(owner)).map(({ id }) => id);
  const kept = [
    ...openings.filter(({ owner }) => isOn(owner)).map(({ outline }) => grown(outline, WALL_MM)!),
    ...bodies.filter((_, owner) => isOn(owner)),
  ];
  const turn = mainTurn(design, boardId);
  const found: SplitProposal[] = [];
  for (const quarter of [0, 90]) {
    const toFrame = -turn - quarter;
    const turned = (r: Ring) => r.map((p) => rotate(p, toFrame));
    const raster = rasterOf(
      turned(ring),
      kept.map((outline) => turned(outlineRing(outline))),
    );
    for (const aim of AIMS) {
      const path = seamColumns(raster, aim);
      if (!path) break;
      const seam = corners(path.map(({ x, y }) => point(raster.minXMm + x * STEP_MM, raster.minYMm + y * STEP_MM)));
      const onMat = seam.map((p) => rotate(p, -toFrame));
      const proposal = proposalFrom(design, ring, onMat, rotate(point(0, 1), -toFrame), ids, bed);
      if (proposal) found.push(proposal);
    }
  }
  return distinct(
    found.sort((a, b) => Number(b.fits) - Number(a.fits) || a.jogs - b.jogs || worstFill(a) - worstFill(b)),
  );
}

const worstFill = ({ pieces }: SplitProposal) => Math.max(...pieces.map(({ fit }) => fit.fill));

const distinct = (proposals: SplitProposal[]) => {
  const seen = new Set<string>();
  return proposals.filter(({ pieces }) => {
    const key = pieces[0].controlIds.join(" ");
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
};
