import type { Point } from "../geometry/point";
import type { Design } from "../document/schema";

/** Lays an added part where the person wants it; null lets it lie among what it serves again. */
export function placeChip(design: Design, chipId: string, at: Point | null): Design {
  const { [chipId]: _, ...others } = design.chipPlaces;
  return { ...design, chipPlaces: at ? { ...others, [chipId]: at } : others };
}
