import { between, listOf, text, whole, z } from "../schema";

export const plateMaterials = ["printed", "acrylic", "aluminium", "steel", "board"] as const;
export type PlateMaterial = (typeof plateMaterials)[number];

export const plateSchema = z.strictObject({ material: z.enum(plateMaterials), thicknessMm: between(0.4, 12) });
export type Plate = z.infer<typeof plateSchema>;

export const bedSchema = z.strictObject({
  id: text(1, 40),
  name: text(1, 60),
  widthMm: between(20, 3000),
  heightMm: between(20, 3000),
});
export type Bed = z.infer<typeof bedSchema>;

/** One step of a board house's prices: up to this size, so many pieces at least, for so much in all. */
export const priceStepSchema = z.strictObject({
  id: text(1, 40),
  upToWidthMm: between(5, 3000),
  upToHeightMm: between(5, 3000),
  pieces: whole(1, 10_000),
  price: between(0, 100_000),
});
export type PriceStep = z.infer<typeof priceStepSchema>;

/** What the making of plates and boards rests on. */
export const makingSchema = z.strictObject({
  /** Width of the cut of a laser or cutter; openings are drawn smaller by half of it all round. */
  kerfMm: between(0, 2),
  /** Radius in the corners of openings, as a cutter leaves it. */
  filletMm: between(0, 5),
  /** The layer beneath a printed plate: how much wider its openings are all round, and how thick it is (0 = none). */
  reinforceClearMm: between(0, 5),
  reinforceMm: between(0, 20),
  /** Force of a firm press, for the bending of plates. */
  pressN: between(0.1, 100),
  beds: listOf(bedSchema, 20),
  priceSteps: listOf(priceStepSchema, 20),
});
export type Making = z.infer<typeof makingSchema>;

/** Common practice: a reinforcement about 1 mm wider; a steep price step at 100 × 100 mm; a press: from memory. */
export const usualMaking: Making = {
  kerfMm: 0,
  filletMm: 0.3,
  reinforceClearMm: 1,
  reinforceMm: 3,
  pressN: 5,
  beds: [
    { id: "bed", name: "Printer bed", widthMm: 220, heightMm: 220 },
    { id: "sheet", name: "Cutter sheet", widthMm: 600, heightMm: 400 },
  ],
  priceSteps: [
    { id: "small", upToWidthMm: 100, upToHeightMm: 100, pieces: 10, price: 5 },
    { id: "large", upToWidthMm: 400, upToHeightMm: 400, pieces: 5, price: 50 },
  ],
};
