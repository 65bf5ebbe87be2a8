declare module "cdt2d" {
  /** Constrained Delaunay triangulation: triangles as indices of points, inside the closed edges only. */
  export default function cdt2d(
    points: [number, number][],
    edges: [number, number][],
    options: { delaunay?: boolean; interior?: boolean; exterior?: boolean },
  ): [number, number, number][];
}
