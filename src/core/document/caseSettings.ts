import { between, text, z } from "../schema";

/** A tray that is printed, or layers that are cut from sheet and screwed together. */
export const caseWays = ["printed", "layers"] as const;
export type CaseWay = (typeof caseWays)[number];

/** What holds the screws that hold the plate: brass inserts set by heat, the plastic itself, or bought standoffs. */
export const towerWays = ["inserts", "self-cutting", "bought"] as const;
export type TowerWay = (typeof towerWays)[number];

/** Plastics by the abbreviations of ISO 1043-1. */
export const casePlastics = ["PLA", "PETG", "ABS", "PA12"] as const;
export type CasePlastic = (typeof casePlastics)[number];

export const caseSheets = ["acrylic", "plywood", "fibreboard"] as const;
export type CaseSheet = (typeof caseSheets)[number];

/** The case around every board that has an edge. Left out where there is none. */
export const caseSchema = z.strictObject({
  way: z.enum(caseWays),
  /** Of a printed tray; layers have the frame's width. */
  wallMm: between(0.8, 15),
  floorMm: between(0.8, 12),
  /** Air between plate and wall, all round. */
  clearMm: between(0.05, 3),
  /** How far the walls stand above the plate's front. */
  rimMm: between(0, 40),
  towers: z.enum(towerWays),
  /** Rear higher than front; negative: front higher. */
  tiltDeg: between(-12, 15),
  plastic: z.enum(casePlastics),
  sheet: z.enum(caseSheets),
  sheetMm: between(1, 12),
  /** The bed it is made on, by its id; the first one where that is gone. */
  bedId: text(0, 40),
});
export type CaseSettings = z.infer<typeof caseSchema>;

/** Walls, floor and air as common practice has them for printing with a 0.4 mm nozzle. */
export const usualCase: CaseSettings = {
  way: "printed",
  wallMm: 3,
  floorMm: 2.4,
  clearMm: 0.4,
  rimMm: 0,
  towers: "inserts",
  tiltDeg: 0,
  plastic: "PETG",
  sheet: "acrylic",
  sheetMm: 3,
  bedId: "bed",
};

/** A frame must take screws with material on both sides of them. */
export const usualLayers: CaseSettings = { ...usualCase, way: "layers", wallMm: 8, bedId: "sheet" };
