import type { Derived } from "../../derived/derive";
import type { PlateMaterial } from "../../document/makingSettings";
import { ownedPairs } from "../../layout/keepOuts";

/** Walls thinner than this break or do not print (from memory). */
export const LEAST_WALL_MM: Record<PlateMaterial, number> = {
  printed: 1.6,
  acrylic: 2,
  aluminium: 1,
  steel: 0.8,
  board: 1,
};

/** Openings of one board that are nearer to each other than any wall may be thin. */
export const wallsWithin = (derived: Derived) =>
  derived.once("walls", () => ownedPairs(derived, derived.openings, Math.max(...Object.values(LEAST_WALL_MM))));
