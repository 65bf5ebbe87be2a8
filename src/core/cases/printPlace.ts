import { point, rotate } from "../geometry/point";
import { fitInto } from "../geometry/smallestRectangle";
import type { CasePiece } from "./caseSolids";
import type { Mesh } from "./mesh";
import type { Bed } from "../document/makingSettings";

/** Corners of a mesh one by one. */
const cornersOf = ({ corners }: Mesh): [number, number, number][] =>
  Array.from({ length: corners.length / 3 }, (_, nth) => [
    corners[3 * nth],
    corners[3 * nth + 1],
    corners[3 * nth + 2],
  ]);

/**
 * A piece as it lies on the bed: turned so that it fits, a wedge on its flat top, its least x, y and z at 0.
 * Turns and shifts only: it stays the same body.
 */
export function lyingOnBed({ mesh, isFoot }: CasePiece, bed: Bed): Mesh {
  const all = cornersOf(mesh);
  const { angleDeg } = fitInto(
    all.map(([x, y]) => point(x, -y)),
    bed,
  );
  const turned = all.map(([x, y, z]): [number, number, number] => {
    const p = rotate(point(x, -y), angleDeg);
    // Half a turn about x brings the top down.
    return isFoot ? [p.xMm, p.yMm, -z] : [p.xMm, -p.yMm, z];
  });
  const least = [0, 1, 2].map((axis) => turned.reduce((min, corner) => Math.min(min, corner[axis]), Infinity));
  return {
    corners: Float64Array.from(turned.flatMap((corner) => corner.map((value, axis) => value - least[axis]))),
    triangles: mesh.triangles,
  };
}
