import { between, listOf, text, whole, z } from "../schema";

/** Plain caps; the L of a tall Enter; a cap with a raised part at its left. */
export const capForms = ["plain", "tall-enter", "stepped"] as const;
export type CapForm = (typeof capForms)[number];

const capLotSchema = z.strictObject({
  widthU: between(0.5, 10),
  heightU: between(0.5, 4),
  form: z.enum(capForms),
  /** Row profile, "" when the set is uniform. */
  profile: text(0, 12),
  label: text(0, 40),
  count: whole(1, 500),
});
export type CapLot = z.infer<typeof capLotSchema>;

/** A set of caps, bought or described. In a sculpted set a cap belongs to its row. */
export const capSetSchema = z.strictObject({
  id: text(1, 40),
  name: text(1, 80),
  sculpted: z.boolean(),
  caps: listOf(capLotSchema, 400),
});
export type CapSet = z.infer<typeof capSetSchema>;

/** Caps of one colour, as anchors for the eye. */
export const colourGroupSchema = z.strictObject({
  id: text(1, 40),
  name: text(1, 40),
  colour: z.string().check(z.regex(/^#[0-9a-f]{6}$/i)),
});
export type ColourGroup = z.infer<typeof colourGroupSchema>;
