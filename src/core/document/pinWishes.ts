import { listOf, z } from "../schema";

export const sides = ["top", "right", "bottom", "left"] as const;
export type Side = (typeof sides)[number];

/** What the person would like of a pin plan, beside what it must do. */
export const pinWishesSchema = z.strictObject({
  /** Sides of the module that stay without leads. */
  keepFree: listOf(z.enum(sides), sides.length),
  /** Rows on neighbouring pins in their order. */
  rowsTogether: z.boolean(),
});
export type PinWishes = z.infer<typeof pinWishesSchema>;

export const noPinWishes: PinWishes = { keepFree: [], rowsTogether: false };
