import type { Design } from "../document/schema";
import type { Bed } from "../document/makingSettings";
import { point, rotate } from "../geometry/point";
import type { Ring } from "../geometry/ring";
import { fitInto } from "../geometry/smallestRectangle";
import { bedOf } from "./bed";
import { plasticNamed, printOf } from "./caseMaterials";
import { type CasePlan, outsideRing } from "./casePlan";
import { feetOf } from "./feet";
import { type Mesh, welded } from "./mesh";
import { footSolids } from "./footSolids";
import { cutAtSeams } from "./pieces";
import { seamsFor } from "./seams";
import { type Flat, type Solid, type SolidShop, withSolids } from "./solidKernel";
import { traySolid, wallFlats } from "./traySolid";

/** One body to print. */
export interface CasePiece {
  name: string;
  mesh: Mesh;
  volumeMm3: number;
  areaMm2: number;
  grams: number;
  hours: number;
  sizeMm: [number, number, number];
  /** It lies on the bed, turned if need be. */
  fits: boolean;
  /** A wedge lies on its top while it is printed. */
  isFoot: boolean;
}

export interface CaseSolids {
  pieces: CasePiece[];
  seams: number;
  /** No sensible number of pieces fits the bed. */
  isTooLarge: boolean;
  bed: Bed;
}

/** Rings of a region, on the mat again. */
const ringsOf = (flat: Flat): Ring[] => flat.toPolygons().map((ring) => ring.map(([x, y]) => point(x, -y)));

function meshOf(solid: Solid): Mesh {
  const { numProp, vertProperties, triVerts } = solid.getMesh();
  const count = vertProperties.length / numProp;
  const corners = new Float64Array(3 * count);
  for (let nth = 0; nth < count; nth++)
    for (let axis = 0; axis < 3; axis++) corners[3 * nth + axis] = vertProperties[nth * numProp + axis];
  return welded({ corners, triangles: Uint32Array.from(triVerts) });
}

function pieceOf(name: string, solid: Solid, plan: CasePlan, bed: Bed, isFoot: boolean): CasePiece {
  const { min, max } = solid.boundingBox();
  const [volumeMm3, areaMm2] = [solid.volume(), solid.surfaceArea()];
  const mesh = meshOf(solid);
  const corners = Array.from({ length: mesh.corners.length / 3 }, (_, nth) =>
    point(mesh.corners[3 * nth], mesh.corners[3 * nth + 1]),
  );
  return {
    name,
    mesh,
    volumeMm3,
    areaMm2,
    ...printOf(plasticNamed(plan.settings.plastic), volumeMm3, areaMm2),
    sizeMm: [max[0] - min[0], max[1] - min[1], max[2] - min[2]],
    fits: fitInto(corners, bed).fits,
    isFoot,
  };
}

function piecesIn(shop: SolidShop, design: Design, plan: CasePlan): CaseSolids {
  const bed = bedOf(design, plan.settings.bedId);
  const { inside } = wallFlats(shop, plan);
  const edge = outsideRing(plan);
  const toFrame = (ring: Ring) => ring.map((p) => rotate(p, -plan.turnDeg));
  const seams = seamsFor(plan, toFrame(edge), ringsOf(inside).map(toFrame), bed);
  const bodies = cutAtSeams(shop, traySolid(shop, plan), seams ?? [], plan.turnDeg);
  const feet = feetOf(plan, edge);
  const wedges = feet ? footSolids(shop, feet, plan.backMm) : [];
  return {
    pieces: [
      ...bodies.map((solid, nth) =>
        pieceOf(bodies.length === 1 ? "tray" : `tray ${nth + 1} of ${bodies.length}`, solid, plan, bed, false),
      ),
      ...wedges.map((solid, nth) => pieceOf(feet!.feet[nth].name, solid, plan, bed, true)),
    ],
    seams: seams?.length ?? 0,
    isTooLarge: seams === null,
    bed,
  };
}

/** The bodies of a printed case, as they lie in the device; computed by a solid-modelling package, in some tenths of a second. */
export const caseSolids = (design: Design, plan: CasePlan): Promise<CaseSolids> =>
  withSolids((shop) => piecesIn(shop, design, plan));
