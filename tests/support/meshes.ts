import type { Mesh } from "@/core/cases/mesh";
import type { Outline } from "@/core/geometry/outline";

export type Place = [x: number, y: number, z: number];

const corner = ({ corners }: Mesh, nth: number): Place => [
  corners[3 * nth],
  corners[3 * nth + 1],
  corners[3 * nth + 2],
];

/** Six times the volume of a tetrahedron, with its sign. */
const six = (a: Place, b: Place, c: Place, d: Place) => {
  const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const v = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
  const w = [d[0] - a[0], d[1] - a[1], d[2] - a[2]];
  return u[0] * (v[1] * w[2] - v[2] * w[1]) - u[1] * (v[0] * w[2] - v[2] * w[0]) + u[2] * (v[0] * w[1] - v[1] * w[0]);
};

/** The volume within a mesh by the sum of signed tetrahedra, in mm³. */
export function volumeOf(mesh: Mesh): number {
  let sum = 0;
  for (let at = 0; at < mesh.triangles.length; at += 3) {
    const [a, b, c] = [0, 1, 2].map((nth) => corner(mesh, mesh.triangles[at + nth]));
    sum += six([0, 0, 0], a, b, c);
  }
  return sum / 6;
}

const CELL_MM = 4;
const cellOf = (x: number, y: number) => `${Math.floor(x / CELL_MM)} ${Math.floor(y / CELL_MM)}`;

/** Faces that are seen from above or from below, by the squares of the mat that they lie over. */
const gridOf = (mesh: Mesh): Map<string, [Place, Place, Place][]> => {
  const cells = new Map<string, [Place, Place, Place][]>();
  for (let at = 0; at < mesh.triangles.length; at += 3) {
    const face = [0, 1, 2].map((nth) => corner(mesh, mesh.triangles[at + nth])) as [Place, Place, Place];
    const [xs, ys] = [0, 1].map((axis) => face.map((p) => p[axis]));
    for (let x = Math.floor(Math.min(...xs) / CELL_MM); x <= Math.floor(Math.max(...xs) / CELL_MM); x++)
      for (let y = Math.floor(Math.min(...ys) / CELL_MM); y <= Math.floor(Math.max(...ys) / CELL_MM); y++) {
        const key = `${x} ${y}`;
        const list = cells.get(key);
        if (list) list.push(face);
        else cells.set(key, [face]);
      }
  }
  return cells;
};

const grids = new WeakMap<Mesh, ReturnType<typeof gridOf>>();

/** Whether a place lies in a body, by counting the faces above it. */
export function isIn(mesh: Mesh, [placeX, placeY, z]: Place): boolean {
  // A ray through a corner or along an edge would be counted twice or not at all: it stands a hair aside.
  const [x, y] = [placeX + 1.7e-5, placeY + 2.3e-5];
  const grid = grids.get(mesh) ?? gridOf(mesh);
  grids.set(mesh, grid);
  let above = 0;
  for (const [a, b, c] of grid.get(cellOf(x, y)) ?? []) {
    const area = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
    if (area === 0) continue;
    const u = ((b[0] - x) * (c[1] - y) - (b[1] - y) * (c[0] - x)) / area;
    const v = ((c[0] - x) * (a[1] - y) - (c[1] - y) * (a[0] - x)) / area;
    if (u >= 0 && v >= 0 && u + v <= 1 && u * a[2] + v * b[2] + (1 - u - v) * c[2] > z) above += 1;
  }
  return above % 2 === 1;
}

/** Places on the line around an outline, so far outside it, about a mm apart; as solids have them, y up. */
export function around({ core, radiusMm }: Outline, byMm: number): [number, number][] {
  const reach = radiusMm + byMm;
  const places: [number, number][] = [];
  core.forEach((p, nth) => {
    const q = core[(nth + 1) % core.length];
    const length = Math.hypot(q.xMm - p.xMm, q.yMm - p.yMm);
    for (let step = 0; step < Math.ceil(length); step++) {
      const t = step / Math.ceil(length);
      const [nx, ny] = [(q.yMm - p.yMm) / length, -(q.xMm - p.xMm) / length];
      for (const side of [1, -1])
        places.push([p.xMm + (q.xMm - p.xMm) * t + side * nx * reach, p.yMm + (q.yMm - p.yMm) * t + side * ny * reach]);
    }
    for (let deg = 0; deg < 360; deg += 30) {
      const turn = (deg * Math.PI) / 180;
      places.push([p.xMm + reach * Math.cos(turn), p.yMm + reach * Math.sin(turn)]);
    }
  });
  return places.map(([x, y]) => [x, -y]);
}

export const leastOf = ({ corners }: Mesh, axis: number): number =>
  Array.from(corners).reduce((least, value, at) => (at % 3 === axis ? Math.min(least, value) : least), Infinity);

export const mostOf = ({ corners }: Mesh, axis: number): number =>
  Array.from(corners).reduce((most, value, at) => (at % 3 === axis ? Math.max(most, value) : most), -Infinity);
