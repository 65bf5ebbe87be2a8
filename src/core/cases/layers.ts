import { type Bed } from "../document/makingSettings";
import type { Design } from "../document/schema";
import { boundsOf } from "../geometry/outline";
import { type Point, point, rotate } from "../geometry/point";
import type { Ring } from "../geometry/ring";
import { bedOf } from "./bed";
import { sheetNamed } from "./caseMaterials";
import { type CasePlan, wayOutMm } from "./casePlan";
import { FRAME_SCREW, type Sheet, frameScrews, sheetsOf } from "./layerPlan";
import { stripAlong } from "./openings";
import { type Flat, type SolidShop, withSolids } from "./solidKernel";
import { discAt, wallFlats } from "./traySolid";

/** Left between shapes on a sheet. */
const BETWEEN_MM = 4;

/** One shape to cut, so many times. */
export interface CutShape {
  /** FLOOR, FRAME_1 …: as the drawing's layers are called. */
  name: string;
  count: number;
  /** Edges and openings, in the frame that most parts share, its corner at 0, 0. */
  rings: Ring[];
  widthMm: number;
  heightMm: number;
  /** Bodies that it falls into: more than one where ways for plugs cut it. */
  bodies: number;
  areaMm2: number;
  /** It lies on the sheet. */
  fits: boolean;
}

export interface CaseLayers {
  shapes: CutShape[];
  /** Where each copy lies: which sheet, and its corner there. */
  laid: { shape: CutShape; sheet: number; xMm: number; yMm: number }[];
  sheets: number;
  bed: Bed;
  grams: number;
  /** Screws through all layers, along the frame. */
  screws: { count: number; atMm: Point[]; throughMm: number };
}

/** What reaches into a sheet from above, and the ways through it; sheets with the same are alike. */
function reaching({ keepOuts, openings }: CasePlan, { name, fromMm, toMm }: Sheet) {
  if (name === "FLOOR") return { name, rooms: [], ways: [] };
  return {
    name,
    rooms: keepOuts.filter((one) => one.fromMm < toMm - 1e-9),
    ways: openings.filter((one) => one.fromMm < toMm - 1e-9 && one.toMm > fromMm + 1e-9),
  };
}

/** Sheets that are cut alike, with their number: rooms only grow towards the front, so their count tells them apart. */
function sorts(plan: CasePlan): (ReturnType<typeof reaching> & { count: number })[] {
  const found = new Map<string, ReturnType<typeof reaching> & { count: number }>();
  for (const sheet of sheetsOf(plan)) {
    const own = reaching(plan, sheet);
    const key = [own.name, own.rooms.length, ...own.ways.map((way) => plan.openings.indexOf(way))].join(" ");
    const known = found.get(key);
    if (known) known.count += 1;
    else found.set(key, { ...own, count: 1 });
  }
  return [...found.values()];
}

type SheetSort = ReturnType<typeof sorts>[number];

/** What is left of a sheet: its outline without rooms of what reaches into it, ways, and holes. */
function sheetFlat(shop: SolidShop, plan: CasePlan, walls: Walls, sort: SheetSort, screws: Point[]): Flat {
  const { seat, inside, outside } = walls;
  const isFloor = sort.name === "FLOOR";
  const holes = screws.map((p) => discAt(shop, p, FRAME_SCREW.clearanceMm));
  const feet = isFloor ? plan.towers.map(({ at, size }) => discAt(shop, at, size.clearanceMm)) : [];
  const hollow = isFloor ? [] : [sort.name === "COVER" ? seat : inside];
  const rooms = shop.areaOf(sort.rooms.map(({ outline }) => outline));
  const ways = sort.ways.map((way) => shop.area([stripAlong(way, 1, wayOutMm(plan, way) + 1)]));
  return shop.without(outside, shop.together([...hollow, rooms, ...ways, ...holes, ...feet]));
}

type Walls = ReturnType<typeof wallFlats>;

/** A shape as it lies on a sheet, its corner at 0, 0; splinters are left out. */
function shapeOf(
  shop: SolidShop,
  flat: Flat,
  turnDeg: number,
  kerfMm: number,
  bed: Bed,
): Omit<CutShape, "name" | "count"> {
  const kept = flat.decompose().map((one) => shop.kept(one));
  const whole = shop.together(kept.filter((one) => one.area() > 4));
  const rings = shop
    .grown(whole, kerfMm / 2)
    .toPolygons()
    .map((ring) => ring.map(([x, y]) => rotate(point(x, -y), -turnDeg)));
  const box = boundsOf(rings.map((core) => ({ core, radiusMm: 0 })))!;
  const [widthMm, heightMm] = [box.maxXMm - box.minXMm, box.maxYMm - box.minYMm];
  return {
    rings: rings.map((ring) => ring.map(({ xMm, yMm }) => point(xMm - box.minXMm, yMm - box.minYMm))),
    widthMm,
    heightMm,
    bodies: kept.filter((one) => one.area() > 4).length,
    areaMm2: whole.area(),
    fits: widthMm <= bed.widthMm && heightMm <= bed.heightMm,
  };
}

/** In rows from the upper left, a new sheet where the old one is full; what fits none gets one for itself. */
function layOut(shapes: CutShape[], bed: Bed): CaseLayers["laid"] {
  let [sheet, x, y, row] = [0, 0, 0, 0];
  return shapes
    .flatMap((shape) => Array.from({ length: shape.count }, () => shape))
    .map((shape) => {
      if (x > 0 && x + shape.widthMm > bed.widthMm) [x, y, row] = [0, y + row + BETWEEN_MM, 0];
      if (y > 0 && y + shape.heightMm > bed.heightMm) [sheet, x, y, row] = [sheet + 1, 0, 0, 0];
      const laid = { shape, sheet, xMm: x, yMm: y };
      [x, row] = [x + shape.widthMm + BETWEEN_MM, Math.max(row, shape.heightMm)];
      return laid;
    });
}

/** Shapes that came out alike are one; frames and covers are numbered from the floor up. */
function named(all: (Pick<SheetSort, "name" | "count"> & Omit<CutShape, "name" | "count">)[]): CutShape[] {
  const alike = new Map<string, CutShape>();
  for (const { name, count, rings, widthMm, heightMm, bodies, areaMm2, fits } of all) {
    const key = `${name} ${JSON.stringify(rings)}`;
    const known = alike.get(key);
    if (known) {
      known.count += count;
      continue;
    }
    const nth = [...alike.values()].filter((shape) => shape.name.startsWith(name)).length + 1;
    const title = name === "FLOOR" ? name : `${name}_${nth}`;
    alike.set(key, { name: title, count, rings, widthMm, heightMm, bodies, areaMm2, fits });
  }
  return [...alike.values()];
}

function layersIn(shop: SolidShop, design: Design, plan: CasePlan): CaseLayers {
  const bed = bedOf(design, plan.settings.bedId);
  const screws = frameScrews(plan);
  const walls = wallFlats(shop, plan);
  const shapes = named(
    sorts(plan).map((sort) => {
      const flat = sheetFlat(shop, plan, walls, sort, screws);
      return { ...sort, ...shapeOf(shop, flat, plan.turnDeg, design.making.kerfMm, bed) };
    }),
  );
  const laid = layOut(shapes, bed);
  const { gramPerCm3 } = sheetNamed(plan.settings.sheet);
  const cm3 = shapes.reduce((sum, { areaMm2, count }) => sum + areaMm2 * count * plan.settings.sheetMm, 0) / 1000;
  return {
    shapes,
    laid,
    sheets: 1 + Math.max(0, ...laid.map(({ sheet }) => sheet)),
    bed,
    grams: cm3 * gramPerCm3,
    screws: { count: screws.length, atMm: screws, throughMm: sheetsOf(plan).length * plan.settings.sheetMm },
  };
}

/** The layers of a cut case, laid out on sheets with the cutter's kerf; by the regions of the solid-modelling package. */
export const caseLayers = (design: Design, plan: CasePlan): Promise<CaseLayers> =>
  withSolids((shop) => layersIn(shop, design, plan));
