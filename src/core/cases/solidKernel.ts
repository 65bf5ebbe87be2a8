import type { CrossSection, Manifold, ManifoldToplevel } from "manifold-3d";
import type { Outline } from "../geometry/outline";
import { type Ring, clockwise, outlineRing } from "../geometry/ring";

export type Flat = CrossSection;
export type Solid = Manifold;

let started: Promise<ManifoldToplevel> | null = null;

/** The package is fetched when a solid is first asked for. */
async function start(): Promise<ManifoldToplevel> {
  const { default: load } = await import("manifold-3d");
  const module = await load();
  module.setup();
  return module;
}

/** Steps of a full circle; a chord then lies within 0.01 mm of a circle of 10 mm. */
const CIRCLE_STEPS = 72;

/**
 * Regions and solids of the modelling package, which lives in WebAssembly: what is made here is freed together. The mat's y points down, a solid's up.
 * All lengths in mm.
 */
export class SolidShop {
  private readonly made: { delete(): void }[] = [];
  constructor(readonly module: ManifoldToplevel) {}

  /** Remembers what has to be freed. */
  kept<T extends { delete(): void }>(one: T): T {
    this.made.push(one);
    return one;
  }

  free(): void {
    for (const one of this.made) one.delete();
    this.made.length = 0;
  }

  /** The area within rings of the mat, overlapping ones as one. */
  area(rings: Ring[]): Flat {
    const polygons = rings.map((ring) => clockwise(ring).map(({ xMm, yMm }): [number, number] => [xMm, -yMm]));
    // The package takes no empty list; a square without sides is an empty region.
    if (polygons.length === 0) return this.kept(this.module.CrossSection.square([0, 0]));
    return this.kept(this.module.CrossSection.ofPolygons(polygons, "NonZero"));
  }

  areaOf = (outlines: Outline[]): Flat => this.area(outlines.map((outline) => outlineRing(outline, 0.005)));

  /** Moved outwards all round, corners rounded; inwards where negative. */
  grown = (flat: Flat, byMm: number): Flat =>
    byMm === 0 ? flat : this.kept(flat.offset(byMm, "Round", 2, CIRCLE_STEPS));

  without = (flat: Flat, other: Flat): Flat => this.kept(flat.subtract(other));
  shared = (flat: Flat, other: Flat): Flat => this.kept(flat.intersect(other));
  together = (flats: Flat[]): Flat =>
    flats.length === 0 ? this.area([]) : this.kept(this.module.CrossSection.union(flats));

  /** A region between two heights; nothing where the upper one is not above. */
  raised(flat: Flat, fromMm: number, toMm: number): Solid {
    const { Manifold: solids } = this.module;
    if (toMm - fromMm < 1e-6 || flat.isEmpty()) return this.kept(solids.union([]));
    const standing = this.kept(solids.extrude(flat, toMm - fromMm));
    return this.kept(standing.translate(0, 0, fromMm));
  }

  cut = (solid: Solid, others: Solid[]): Solid =>
    others.length === 0 ? solid : this.kept(this.module.Manifold.difference([solid, ...others]));
  joined = (all: Solid[]): Solid => this.kept(this.module.Manifold.union(all));
  common = (a: Solid, b: Solid): Solid => this.kept(a.intersect(b));
  apart = (solid: Solid): Solid[] => solid.decompose().map((one) => this.kept(one));
  turned = (solid: Solid, x: number, y: number, z: number): Solid => this.kept(solid.rotate(x, y, z));
  shifted = (solid: Solid, x: number, y: number, z: number): Solid => this.kept(solid.translate(x, y, z));

  /** What lies on the side of a plane to which its normal points; the plane is so far from the origin. */
  beyond = (solid: Solid, normal: [number, number, number], mm: number): Solid =>
    this.kept(solid.trimByPlane(normal, mm));
}

/** Does work with solids and frees them; what it returns must be plain values. */
export async function withSolids<T>(work: (shop: SolidShop) => T): Promise<T> {
  started ??= start();
  const shop = new SolidShop(await started);
  try {
    return work(shop);
  } finally {
    shop.free();
  }
}
