import type { TowerWay } from "../document/caseSettings";

/** A machine screw and what it goes into, in mm. */
export interface ScrewSize {
  name: "M2" | "M2.5" | "M3";
  acrossMm: number;
  /** Clearance hole, medium fit (ISO 273). */
  clearanceMm: number;
  /** Hole in which it cuts its own thread: about 0.85 of its diameter (common practice). */
  pilotMm: number;
  /** Hole for a brass insert set by heat, and the insert's length (from memory of makers' usual sizes). */
  insertHoleMm: number;
  insertMm: number;
}

export const screwSizes: ScrewSize[] = [
  { name: "M2", acrossMm: 2, clearanceMm: 2.4, pilotMm: 1.7, insertHoleMm: 3.2, insertMm: 4 },
  { name: "M2.5", acrossMm: 2.5, clearanceMm: 2.9, pilotMm: 2.1, insertHoleMm: 3.6, insertMm: 5 },
  { name: "M3", acrossMm: 3, clearanceMm: 3.4, pilotMm: 2.5, insertHoleMm: 4, insertMm: 5.7 },
];

/** The largest screw that goes through a hole of this diameter, in mm; the smallest one where none does. */
export const screwThrough = (holeMm: number): ScrewSize =>
  [...screwSizes].reverse().find(({ acrossMm }) => acrossMm < holeMm) ?? screwSizes[0];

/** Plastic around a hole that holds a screw (common practice: at least 1.6 mm, four lines of a 0.4 mm nozzle). */
export const TOWER_WALL_MM = 1.6;

/** The hole at the top of a tower, and how deep a screw must reach into it, in mm. */
export function towerHole(way: TowerWay, size: ScrewSize): { holeMm: number; biteMm: number } {
  if (way === "inserts") return { holeMm: size.insertHoleMm, biteMm: size.insertMm };
  // In plastic a thread holds over 2.5 diameters, in metal over 2 (common practice).
  return way === "self-cutting"
    ? { holeMm: size.pilotMm, biteMm: 2.5 * size.acrossMm }
    : { holeMm: size.clearanceMm, biteMm: 2 * size.acrossMm };
}
