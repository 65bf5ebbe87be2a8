import clipping, { type Polygon } from "polygon-clipping";
import type { Ring } from "./ring";
import { point } from "./point";

/** A ring and the rings cut out of it. */
export interface Region {
  edge: Ring;
  holes: Ring[];
}

/**
 * Coordinates are rounded to 0.1 µm, so that rings that should touch do. In rare places the library loses a ring to its own
 * rounding; a coarser grid moves the corners out of such a place: to a µm, then to ten.
 */
const GRIDS_A_MM = [1e4, 1e3, 1e2];

const toPolygon = (ring: Ring, grid: number): Polygon => {
  const tidy = (mm: number) => Math.round(mm * grid) / grid;
  return [ring.map((p) => [tidy(p.xMm), tidy(p.yMm)])];
};

/** What an operation gives on the finest grid on which it comes to its end. */
function onGrid(rings: Ring[], operation: (polygons: Polygon[]) => Polygon[]): Region[] {
  for (const [nth, grid] of GRIDS_A_MM.entries()) {
    try {
      return toRegions(operation(rings.map((ring) => toPolygon(ring, grid))));
    } catch (problem) {
      if (nth === GRIDS_A_MM.length - 1) throw problem;
    }
  }
  return [];
}

/** The library repeats the first corner at the end; rings here do not. */
const toRing = (corners: [number, number][]): Ring => corners.slice(0, -1).map(([x, y]) => point(x, y));

const toRegions = (polygons: Polygon[]): Region[] =>
  polygons.map(([edge, ...holes]) => ({ edge: toRing(edge), holes: holes.map(toRing) }));

export const unionOf = (rings: Ring[]): Region[] =>
  rings.length === 0 ? [] : onGrid(rings, ([first, ...others]) => clipping.union(first, ...others));

export const commonOf = (a: Ring, b: Ring): Region[] =>
  onGrid([a, b], ([first, other]) => clipping.intersection(first, other));
