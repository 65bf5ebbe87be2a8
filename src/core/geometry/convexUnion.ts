import { type Point, distanceMm, point } from "./point";
import { type Ring, isClockwise } from "./ring";

/** Closer than this, two edges are one edge and two corners one corner. */
const SAME_MM = 1e-6;

interface Box {
  ring: Ring;
  minXMm: number;
  minYMm: number;
  maxXMm: number;
  maxYMm: number;
}

function boxed(ring: Ring): Box {
  const xs = ring.map(({ xMm }) => xMm);
  const ys = ring.map(({ yMm }) => yMm);
  return {
    ring,
    minXMm: Math.min(...xs),
    minYMm: Math.min(...ys),
    maxXMm: Math.max(...xs),
    maxYMm: Math.max(...ys),
  };
}

const meet = (a: Box, b: Box) =>
  a.minXMm <= b.maxXMm + SAME_MM &&
  b.minXMm <= a.maxXMm + SAME_MM &&
  a.minYMm <= b.maxYMm + SAME_MM &&
  b.minYMm <= a.maxYMm + SAME_MM;

type Span = [from: number, to: number];

/**
 * The part of an edge inside a convex clockwise ring, as a span of its length from 0 to 1 (M. Cyrus and J. Beck, 1978).
 * An edge that lies on one of the ring's own counts as inside when the two rings lie on either side of it, and when
 * they lie on the same side for one of the two, so that the shared edge stays once.
 */
function insideSpan(a: Point, b: Point, ring: Ring, keepsShared: boolean): Span | null {
  let [from, to] = [0, 1];
  const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
  const length = Math.hypot(dx, dy);
  for (const [nth, p] of ring.entries()) {
    const q = ring[(nth + 1) % ring.length];
    const [ex, ey] = [q.xMm - p.xMm, q.yMm - p.yMm];
    const edge = Math.hypot(ex, ey);
    if (edge < SAME_MM) continue;
    // Depth of both ends behind the ring's edge; positive inside, y pointing down.
    const depth = (r: Point) => (ex * (r.yMm - p.yMm) - ey * (r.xMm - p.xMm)) / edge;
    const [atA, atB] = [depth(a), depth(b)];
    if (Math.abs(atA) < SAME_MM && Math.abs(atB) < SAME_MM) {
      const isSameWay = dx * ex + dy * ey > 0;
      if (isSameWay && keepsShared) return null;
      continue;
    }
    if (atA <= SAME_MM && atB <= SAME_MM) return null;
    if (atA < 0) from = Math.max(from, atA / (atA - atB));
    if (atB < 0) to = Math.min(to, atA / (atA - atB));
  }
  return (to - from) * length > SAME_MM ? [from, to] : null;
}

/** What is left of 0 to 1 without some spans. */
function gaps(spans: Span[]): Span[] {
  const left: Span[] = [];
  let at = 0;
  for (const [from, to] of spans.sort((x, y) => x[0] - y[0])) {
    if (from > at) left.push([at, from]);
    at = Math.max(at, to);
  }
  if (at < 1) left.push([at, 1]);
  return left;
}

interface Piece {
  from: Point;
  to: Point;
}

/** The pieces of all edges that lie in none of the other rings. */
function outerPieces(boxes: Box[]): Piece[] {
  return boxes.flatMap((own, nth) => {
    const near = boxes.flatMap((box, at) => (at !== nth && meet(own, box) ? [{ ring: box.ring, at }] : []));
    return own.ring.flatMap((a, corner) => {
      const b = own.ring[(corner + 1) % own.ring.length];
      const length = distanceMm(a, b);
      const covered = near.flatMap(({ ring, at }) => {
        const span = insideSpan(a, b, ring, nth < at);
        return span ? [span] : [];
      });
      const along = (t: number) => point(a.xMm + t * (b.xMm - a.xMm), a.yMm + t * (b.yMm - a.yMm));
      return gaps(covered)
        .filter(([from, to]) => (to - from) * length > SAME_MM)
        .map(([from, to]) => ({ from: along(from), to: along(to) }));
    });
  });
}

/** Ends of pieces lie on each other within rounding. */
const JOIN_MM = 1e-3;

/** How far a piece turns clockwise from another one that ends where it starts, in radians from -π to π. */
function turnOf(before: Piece, after: Piece): number {
  const [ax, ay] = [before.to.xMm - before.from.xMm, before.to.yMm - before.from.yMm];
  const [bx, by] = [after.to.xMm - after.from.xMm, after.to.yMm - after.from.yMm];
  return Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
}

/**
 * The piece that goes on from another one. Where regions touch in a corner several do: the one that turns most to the
 * right keeps the regions apart, for a corner holds nothing together.
 */
function following(piece: Piece, open: Piece[]): number {
  const away = open.map(({ from }) => distanceMm(from, piece.to));
  const least = Math.min(...away);
  if (least > JOIN_MM) return -1;
  let [next, most] = [-1, -Infinity];
  open.forEach((other, nth) => {
    const turn = away[nth] <= least + SAME_MM ? turnOf(piece, other) : -Infinity;
    if (turn > most) [next, most] = [nth, turn];
  });
  return next;
}

function chained(pieces: Piece[]): Ring[] {
  const open = [...pieces];
  const rings: Ring[] = [];
  while (open.length > 0) {
    // The first piece stays open until it is met again: that closes the ring.
    const first = open[open.length - 1];
    const ring: Ring = [];
    let piece = first;
    for (;;) {
      const next = following(piece, open);
      if (next < 0) break;
      [piece] = open.splice(next, 1);
      ring.push(piece.from);
      if (piece === first) break;
    }
    if (piece !== first) open.splice(open.indexOf(first), 1);
    rings.push(ring);
  }
  return rings;
}

function isOnLine(p: Point, before: Point, after: Point): boolean {
  const [dx, dy] = [after.xMm - before.xMm, after.yMm - before.yMm];
  const away = Math.abs(dx * (p.yMm - before.yMm) - dy * (p.xMm - before.xMm));
  return away <= STRAIGHT_MM * Math.max(SAME_MM, Math.hypot(dx, dy));
}

const STRAIGHT_MM = 1e-4;

/** Without corners on the straight line between their neighbours, one after the other, so that close ones do not both go. */
function straightened(ring: Ring): Ring {
  const kept = [...ring];
  for (let nth = 0; nth < kept.length && kept.length > 3;) {
    const before = kept[(nth + kept.length - 1) % kept.length];
    const after = kept[(nth + 1) % kept.length];
    if (isOnLine(kept[nth], before, after)) kept.splice(nth, 1);
    else nth += 1;
  }
  return kept;
}

/**
 * Outer edges of the union of convex clockwise rings, one for each region, clockwise; holes are left out. Each edge is
 * cut where it enters another ring, and what lies outside all of them is joined up again.
 */
export function convexUnionEdges(rings: Ring[]): Ring[] {
  const boxes = rings.filter((ring) => ring.length > 2).map(boxed);
  return chained(outerPieces(boxes))
    .map(straightened)
    .filter((ring) => ring.length > 2 && isClockwise(ring));
}
