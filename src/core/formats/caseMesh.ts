import type { Mesh } from "../cases/mesh";
import type { Corner, Triangle } from "../making/solid";

/** Triangles of a mesh with the places of their corners. */
export function trianglesOf({ corners, triangles }: Mesh): Triangle[] {
  const corner = (nth: number): Corner => [corners[3 * nth], corners[3 * nth + 1], corners[3 * nth + 2]];
  return Array.from({ length: triangles.length / 3 }, (_, nth) => [
    corner(triangles[3 * nth]),
    corner(triangles[3 * nth + 1]),
    corner(triangles[3 * nth + 2]),
  ]);
}
