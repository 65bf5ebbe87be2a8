import cdt2d from "cdt2d";
import { type Problem, type Result, bad, good } from "../document/problem";
import { type Ring, clockwise } from "../geometry/ring";
import { crossesItself, isWithin } from "../geometry/ringSense";
import type { PlateDrawing } from "./plateDrawing";

export type Corner = [xMm: number, yMm: number, zMm: number];
export type Triangle = [Corner, Corner, Corner];

const tidy = (mm: number) => Math.round(mm * 1e4) / 1e4;
const tidyRing = (ring: Ring): Ring => {
  const points = clockwise(ring).map((p) => ({ xMm: tidy(p.xMm), yMm: tidy(p.yMm) }));
  return points.filter((p, i) => {
    const q = points[(i + 1) % points.length];
    return p.xMm !== q.xMm || p.yMm !== q.yMm;
  });
};

/**
 * Triangles of a region between rings at one height, all facing up or all down; every corner of the rings is used.
 * Printing asks for no well-shaped triangles: without turning edges towards them a plate of 1,000 keys takes a twentieth
 * of the time.
 */
function face(rings: Ring[], zMm: number, up: boolean): Triangle[] {
  const points: [number, number][] = [];
  const edges: [number, number][] = [];
  for (const ring of rings) {
    const first = points.length;
    ring.forEach((p, i) => {
      points.push([p.xMm, p.yMm]);
      edges.push([first + i, first + ((i + 1) % ring.length)]);
    });
  }
  return cdt2d(points, edges, { exterior: false, delaunay: false }).map(([a, b, c]) => {
    const corners = [a, b, c].map((i): Corner => [points[i][0], points[i][1], zMm]) as Triangle;
    const [p, q, r] = corners;
    const turnsLeft = (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]) > 0;
    return turnsLeft === up ? corners : [p, r, q];
  });
}

/** The wall along a ring between two heights, facing away from the ring's inside, or towards it for an opening. */
function wall(ring: Ring, fromZ: number, toZ: number, outwards: boolean): Triangle[] {
  return ring.flatMap((p, i): Triangle[] => {
    const q = ring[(i + 1) % ring.length];
    const [a, b]: Corner[] = [
      [p.xMm, p.yMm, fromZ],
      [q.xMm, q.yMm, fromZ],
    ];
    const [c, d]: Corner[] = [
      [q.xMm, q.yMm, toZ],
      [p.xMm, p.yMm, toZ],
    ];
    return outwards
      ? [
          [a, b, c],
          [a, c, d],
        ]
      : [
          [a, c, b],
          [a, d, c],
        ];
  });
}

/** Turned over the x axis, so that y points up; what ran clockwise on the mat then runs the other way and is put right. */
const upright = (ring: Ring): Ring => tidyRing(ring.map((p) => ({ xMm: p.xMm, yMm: -p.yMm })));

/** What keeps a plate from being a closed surface: an edge that crosses itself, or openings that run across it. */
function crossing({ board, edge, openings, reinforcement }: PlateDrawing): Problem[] {
  if (crossesItself(edge))
    return [{ path: board.name, message: "has an edge that crosses itself; move its corners apart" }];
  const bad = [...openings, ...reinforcement].filter((ring) => !isWithin(ring, edge));
  return bad.length === 0
    ? []
    : [
        {
          path: board.name,
          message: `has ${bad.length} openings that run across its edge (the reinforcement's are wider); a larger margin cures it`,
        },
      ];
}

/**
 * A plate as a closed surface: the clip layer from z = 0 up, the wider-opened reinforcement beneath it.
 * @returns triangles seen anticlockwise from outside, or where an opening runs across the edge
 */
export function plateSolid(drawing: PlateDrawing, reinforceMm: number): Result<Triangle[]> {
  const problems = crossing(drawing);
  if (problems.length > 0) return bad(...problems);
  const edge = upright(drawing.edge);
  const openings = drawing.openings.map(upright);
  const wide = drawing.reinforcement.map(upright);
  const top = drawing.board.plate.thicknessMm;
  const hasLayer = wide.length > 0 || reinforceMm > 0;
  const bottom = hasLayer ? -reinforceMm : 0;
  const step = hasLayer ? [...openings, ...wide] : [];
  return good([
    ...face([edge, ...openings], top, true),
    ...face([edge, ...(hasLayer ? wide : openings)], bottom, false),
    ...(step.length > 0 ? face(step, 0, false) : []),
    ...wall(edge, bottom, top, true),
    ...openings.flatMap((ring) => wall(ring, 0, top, false)),
    ...wide.flatMap((ring) => wall(ring, bottom, 0, false)),
  ]);
}

/** Binary STL: 80 bytes of header, a count, and 50 bytes a triangle, little endian. */
export function binaryStl(triangles: Triangle[]): Uint8Array {
  const bytes = new Uint8Array(84 + 50 * triangles.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(80, triangles.length, true);
  triangles.forEach(([a, b, c], nth) => {
    const at = 84 + nth * 50;
    [normal(a, b, c), a, b, c].forEach((corner, i) =>
      corner.forEach((value, axis) => view.setFloat32(at + i * 12 + axis * 4, value, true)),
    );
  });
  return bytes;
}

function normal(a: Corner, b: Corner, c: Corner): Corner {
  const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const v = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
  const length = Math.hypot(n[0], n[1], n[2]) || 1;
  return [n[0] / length, n[1] / length, n[2] / length];
}
