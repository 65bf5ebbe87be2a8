/** Triangles by the places of their corners; anticlockwise seen from outside. */
export interface Mesh {
  /** x, y, z of every corner, in mm; y points away from the person, z up. */
  corners: Float64Array;
  /** Three corners a triangle. */
  triangles: Uint32Array;
}

/** Corners closer than this are one: files keep 32-bit numbers, in which they would fall together anyway. */
const GRID_A_MM = 1e4;

/** Every edge is used once in each direction: the mesh closes a body. */
export function isClosed({ triangles, corners }: Mesh): boolean {
  const count = corners.length / 3;
  const edges = new Set<number>();
  for (let at = 0; at < triangles.length; at += 3)
    for (let nth = 0; nth < 3; nth++) {
      const edge = triangles[at + nth] * count + triangles[at + ((nth + 1) % 3)];
      if (edges.has(edge)) return false;
      edges.add(edge);
    }
  for (const edge of edges) if (!edges.has((edge % count) * count + Math.floor(edge / count))) return false;
  return true;
}

/**
 * A mesh whose corners lie on a grid of 0.1 µm, those at one place being one, without the triangles that then have no area. What solids of the modelling
 * package have closer together than a file can tell would else be read as open or as several bodies.
 */
export function welded(mesh: Mesh): Mesh {
  const { corners, triangles } = mesh;
  const places = new Map<string, number>();
  const kept: number[] = [];
  const standsFor = Array.from({ length: corners.length / 3 }, (_, nth) => {
    const place = [0, 1, 2].map((axis) => Math.round(corners[3 * nth + axis] * GRID_A_MM) / GRID_A_MM);
    const key = place.join(" ");
    const known = places.get(key);
    if (known !== undefined) return known;
    places.set(key, places.size);
    kept.push(...place);
    return places.size - 1;
  });
  const faces: number[] = [];
  for (let at = 0; at < triangles.length; at += 3) {
    const [a, b, c] = [standsFor[triangles[at]], standsFor[triangles[at + 1]], standsFor[triangles[at + 2]]];
    if (a !== b && b !== c && c !== a) faces.push(a, b, c);
  }
  const tidy = { corners: Float64Array.from(kept), triangles: Uint32Array.from(faces) };
  return isClosed(tidy) ? tidy : mesh;
}
