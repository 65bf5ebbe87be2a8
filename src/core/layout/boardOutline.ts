import type { Board, Design } from "../document/schema";
import { derive } from "../derived/derive";
import { convexHull } from "../geometry/convexHull";
import { mainTurn } from "./mainTurn";
import { type Outline, boundsOf, boxOf } from "../geometry/outline";
import { type Point, distanceMm, place, point, rotate } from "../geometry/point";
import { convexUnionEdges } from "../geometry/convexUnion";
import { type Ring, clockwise, filletRing, isInside, offsetConvex, outlineRing, ringCentre } from "../geometry/ring";

const RIM_STEPS = 16;

/** Points on a circle about a place, close enough for a hull. */
function rim(p: Point, radiusMm: number): Point[] {
  if (radiusMm === 0) return [p];
  return Array.from({ length: RIM_STEPS }, (_, step) => {
    const angle = (step * 2 * Math.PI) / RIM_STEPS;
    return point(p.xMm + radiusMm * Math.cos(angle), p.yMm + radiusMm * Math.sin(angle));
  });
}

/**
 * Points whose hull holds all outlines. Outlines with one corner radius reach farthest at the corners of their own
 * cores' hull, so only there the rounding is drawn out.
 */
function extremes(outlines: Outline[]): Point[] {
  const byRadius = new Map<number, Point[]>();
  for (const { core, radiusMm } of outlines) {
    const cores = byRadius.get(radiusMm);
    if (cores) cores.push(...core);
    else byRadius.set(radiusMm, [...core]);
  }
  return [...byRadius].flatMap(([radiusMm, cores]) => convexHull(cores).flatMap((p) => rim(p, radiusMm)));
}

const DIRECTIONS = Array.from({ length: 8 }, (_, nth) => {
  const angle = (nth * Math.PI) / 4;
  return [Math.cos(angle), Math.sin(angle)] as const;
});

/**
 * Leaves out what lies inside the octagon between the farthest points in eight directions: it cannot touch the hull
 * (S. G. Akl and G. T. Toussaint, 1978). On a large board hardly any part is left.
 */
function outerOnes(outlines: Outline[]): Outline[] {
  if (outlines.length < 16) return outlines;
  const corners = outlines.map((outline) => {
    const { minXMm, minYMm, maxXMm, maxYMm } = boxOf(outline);
    return [point(minXMm, minYMm), point(maxXMm, minYMm), point(maxXMm, maxYMm), point(minXMm, maxYMm)];
  });
  const octagon = convexHull(
    DIRECTIONS.map(([x, y]) => {
      let [farthest, most] = [corners[0][0], -Infinity];
      // The middle of a box lies within its outline, so the octagon lies within the hull.
      for (const [a, , c] of corners) {
        const middle = point((a.xMm + c.xMm) / 2, (a.yMm + c.yMm) / 2);
        const along = middle.xMm * x + middle.yMm * y;
        if (along > most) [farthest, most] = [middle, along];
      }
      return farthest;
    }),
  );
  if (octagon.length < 3) return outlines;
  return outlines.filter((_, nth) => corners[nth].some((p) => !isInside(p, octagon)));
}

/** Corners of each module on a board. */
function moduleCorners(design: Design, boardId: string): Point[][] {
  return derive(design).controllers.flatMap(({ controller, profile }) => {
    if (!profile || controller.placement.boardId !== boardId) return [];
    const x = profile.widthMm / 2;
    const y = profile.heightMm / 2;
    return [[point(-x, -y), point(x, -y), point(x, y), point(-x, y)].map((p) => place(p, controller.placement))];
  });
}

/** Corners of the hull of everything a board carries. */
export function carriedHull(design: Design, boardId: string): Point[] {
  const { capPieces, bodies } = derive(design);
  const isOn = (owner: number) => design.controls[owner].placement.boardId === boardId;
  const outlines = [
    ...capPieces.filter(({ owner }) => isOn(owner)).map(({ outline }) => outline),
    ...bodies.filter((_, owner) => isOn(owner)),
  ];
  return convexHull([...extremes(outerOnes(outlines)), ...moduleCorners(design, boardId).flat()]);
}

/** A convex hull at a margin, its corners rounded by the board's radius. A radius above the margin rounds the inside too. */
function aroundHull(hull: Point[], { marginMm, cornerRadiusMm }: Board): Outline {
  const core = offsetConvex(hull, marginMm - cornerRadiusMm);
  return core.length > 2 ? { core, radiusMm: cornerRadiusMm } : { core: hull, radiusMm: marginMm };
}

/** Outlines of all that a board carries, its controllers' modules included. */
function carriedOutlines(design: Design, boardId: string): Outline[] {
  const { capPieces, bodies } = derive(design);
  const isOn = (owner: number) => design.controls[owner].placement.boardId === boardId;
  return [
    ...capPieces.filter(({ owner }) => isOn(owner)).map(({ outline }) => outline),
    ...bodies.filter((_, owner) => isOn(owner)),
    ...moduleCorners(design, boardId).map((core) => ({ core, radiusMm: 0 })),
  ];
}

/** The rectangle around a hull, upright in the frame that most keys of the board share. */
function rectangleAround(hull: Point[], turnDeg: number): Point[] {
  const box = boundsOf(hull.map((p) => ({ core: [rotate(p, -turnDeg)], radiusMm: 0 })))!;
  const corners = [
    point(box.minXMm, box.minYMm),
    point(box.maxXMm, box.minYMm),
    point(box.maxXMm, box.maxYMm),
    point(box.minXMm, box.maxYMm),
  ];
  return corners.map((p) => rotate(p, turnDeg));
}

/** A sharp-cornered ring around one outline at a margin. */
const sharpAround = ({ core, radiusMm }: Outline, marginMm: number): Ring =>
  core.length > 2
    ? offsetConvex(core, radiusMm + marginMm)
    : convexHull(core.flatMap((p) => rim(p, radiusMm + marginMm)));

/** Regions of convex parts; two are joined by the hull of their nearest two parts. */
function bridged(parts: Ring[]): Ring[] {
  const regions = convexUnionEdges(parts);
  if (regions.length < 2) return regions;
  const gap = (a: Ring, b: Ring) => Math.min(...a.map((p) => Math.min(...b.map((q) => distanceMm(p, q)))));
  const [first, ...others] = regions;
  const nearest = others.reduce((best, other) => (gap(first, other) < gap(first, best) ? other : best));
  const insideOf = (region: Ring) => parts.filter((part) => isInside(ringCentre(part), region));
  const pairs = insideOf(first).flatMap((a) => insideOf(nearest).map((b) => ({ a, b, mm: gap(a, b) })));
  const best = pairs.sort((x, y) => x.mm - y.mm)[0];
  const bridge = best ? convexHull([...best.a, ...best.b]) : convexHull([...first, ...nearest]);
  return bridged([...parts, bridge]);
}

/** An edge that follows what a board carries closely, at its margin; inner corners are rounded like the outer ones. */
function closeRing(design: Design, board: Board): Ring | null {
  const parts = carriedOutlines(design, board.id).map((outline) => sharpAround(outline, board.marginMm));
  if (parts.length === 0) return null;
  const [region] = bridged(parts.map((ring) => clockwise(ring)));
  return region ? filletRing(clockwise(region), board.cornerRadiusMm) : null;
}

/** A corner that comes twice in a row, or lies on the one before, is one corner. */
const withoutDoubles = (ring: Ring): Ring =>
  ring.filter((p, nth) => distanceMm(p, ring[(nth + ring.length - 1) % ring.length]) > 1e-6);

/** The edge of a board, drawn or following its controls, as a ring; null for a board that carries nothing. */
export function boardRing(design: Design, boardId: string): Ring | null {
  const board = design.boards.find((b) => b.id === boardId);
  if (!board) return null;
  if (board.outline) {
    const drawn = withoutDoubles(clockwise(board.outline));
    return drawn.length < 3 ? null : filletRing(drawn, board.cornerRadiusMm);
  }
  if (board.follows === "close") return closeRing(design, board);
  const hull = carriedHull(design, boardId);
  if (hull.length === 0) return null;
  const core = board.follows === "rectangle" ? rectangleAround(hull, mainTurn(design, boardId)) : hull;
  return outlineRing(aroundHull(core, board));
}

/** Rings of all boards, in their order; kept as long as the design lives. */
export const boardRings = (design: Design): (Ring | null)[] =>
  derive(design).once("boardRings", () => design.boards.map(({ id }) => boardRing(design, id)));
