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

/** What is left of a sheet: its outline without rooms of what reaches into it from above, ways, and holes. */
function sheetFlat(shop: SolidShop, plan: CasePlan, sheet: Sheet, screws: Point[]): Flat {
  const { seat, inside, outside } = wallFlats(shop, plan);
  const { keepOuts, openings, towers } = plan;
  const rooms = keepOuts.filter(({ fromMm }) => sheet.name !== "FLOOR" && fromMm < sheet.toMm - 1e-9);
  const ways = openings.filter(({ fromMm, toMm }) => fromMm < sheet.toMm - 1e-9 && toMm > sheet.fromMm + 1e-9);
  const holes = [
    ...screws.map((p) => discAt(shop, p, FRAME_SCREW.clearanceMm)),
    ...(sheet.name === "FLOOR" ? towers.map(({ at, size }) => discAt(shop, at, size.clearanceMm)) : []),
  ];
  const hollow = sheet.name === "FLOOR" ? [] : [sheet.name === "COVER" ? seat : inside];
  const gone = [
    ...hollow,
    shop.areaOf(rooms.map(({ outline }) => outline)),
    ...(sheet.name === "FLOOR" ? [] : ways.map((way) => shop.area([stripAlong(way, 1, wayOutMm(plan, way) + 1)]))),
    ...holes,
  ];
  return shop.without(outside, shop.together(gone));
}

function shapeOf(flat: Flat, name: string, turnDeg: number, kerfMm: number, shop: SolidShop, bed: Bed): CutShape {
  const kept = flat.decompose().map((one) => shop.kept(one));
  const whole = shop.together(kept.filter((one) => one.area() > 4));
  const rings = shop
    .grown(whole, kerfMm / 2)
    .toPolygons()
    .map((ring) => ring.map(([x, y]) => rotate(point(x, -y), -turnDeg)));
  const box = boundsOf(rings.map((core) => ({ core, radiusMm: 0 })))!;
  const [widthMm, heightMm] = [box.maxXMm - box.minXMm, box.maxYMm - box.minYMm];
  return {
    name,
    count: 1,
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

function layersIn(shop: SolidShop, design: Design, plan: CasePlan): CaseLayers {
  const bed = bedOf(design, plan.settings.bedId);
  const screws = frameScrews(plan);
  const all = sheetsOf(plan);
  const alike = new Map<string, CutShape>();
  for (const sheet of all) {
    const shape = shapeOf(
      sheetFlat(shop, plan, sheet, screws),
      sheet.name,
      plan.turnDeg,
      design.making.kerfMm,
      shop,
      bed,
    );
    const key = `${sheet.name} ${JSON.stringify(shape.rings)}`;
    const known = alike.get(key);
    if (known) known.count += 1;
    else {
      const nth = [...alike.values()].filter(({ name }) => name.split("_")[0] === sheet.name).length + 1;
      alike.set(key, { ...shape, name: sheet.name === "FLOOR" ? "FLOOR" : `${sheet.name}_${nth}` });
    }
  }
  const shapes = [...alike.values()];
  const laid = layOut(shapes, bed);
  const { gramPerCm3 } = sheetNamed(plan.settings.sheet);
  const cm3 = shapes.reduce((sum, { areaMm2, count }) => sum + areaMm2 * count * plan.settings.sheetMm, 0) / 1000;
  return {
    shapes,
    laid,
    sheets: 1 + Math.max(0, ...laid.map(({ sheet }) => sheet)),
    bed,
    grams: cm3 * gramPerCm3,
    screws: { count: screws.length, atMm: screws, throughMm: all.length * plan.settings.sheetMm },
  };
}

/** The layers of a cut case, laid out on sheets with the cutter's kerf; by the regions of the solid-modelling package. */
export const caseLayers = (design: Design, plan: CasePlan): Promise<CaseLayers> =>
  withSolids((shop) => layersIn(shop, design, plan));
