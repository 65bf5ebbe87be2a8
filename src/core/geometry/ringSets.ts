import clipping, { type Polygon } from "polygon-clipping";
import type { Ring } from "./ring";
import { point } from "./point";

/** A ring and the rings cut out of it. */
export interface Region {
  edge: Ring;
  holes: Ring[];
}

/** Coordinates rounded to 0.1 µm, so that rings that should touch do. */
const tidy = (mm: number) => Math.round(mm * 1e4) / 1e4;

const toPolygon = (ring: Ring): Polygon => [ring.map((p) => [tidy(p.xMm), tidy(p.yMm)])];

/** The library repeats the first corner at the end; rings here do not. */
const toRing = (corners: [number, number][]): Ring => corners.slice(0, -1).map(([x, y]) => point(x, y));

const toRegions = (polygons: Polygon[]): Region[] =>
  polygons.map(([edge, ...holes]) => ({ edge: toRing(edge), holes: holes.map(toRing) }));

export const unionOf = (rings: Ring[]): Region[] =>
  rings.length === 0 ? [] : toRegions(clipping.union(toPolygon(rings[0]), ...rings.slice(1).map(toPolygon)));

export const commonOf = (a: Ring, b: Ring): Region[] => toRegions(clipping.intersection(toPolygon(a), toPolygon(b)));
