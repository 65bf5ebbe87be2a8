import { idSchema } from "../catalogue/kinds/controlKind";
import { type Schema, between, listOf, text, whole, z } from "../schema";

/** What is bought together, in the order of the list. */
export const partsGroups = [
  "controllers",
  "controls",
  "caps",
  "added parts",
  "small parts",
  "plugs",
  "wire",
  "plates",
] as const;
export type PartsGroup = (typeof partsGroups)[number];

const partNameSchema = text(1, 200);
const moneySchema = between(0, 1_000_000);
const quantitySchema = between(0, 1_000_000);

const quantityStepSchema = z.strictObject({ from: quantitySchema, each: moneySchema });

/** What one supplier asks for a part: in packs, from a least quantity on, cheaper from some quantities on. */
export const offerSchema = z.strictObject({
  part: partNameSchema,
  pack: between(0.01, 100_000),
  least: quantitySchema,
  steps: listOf(quantityStepSchema, 20, 1),
});
export type NamedOffer = z.infer<typeof offerSchema>;

export const MOST_SUPPLIERS = 6;

export const supplierSchema = z.strictObject({
  id: idSchema,
  name: text(1, 80),
  shipping: moneySchema,
  minimum: moneySchema,
  offers: listOf(offerSchema, 500),
});
export type Supplier = z.infer<typeof supplierSchema>;

const spareSchema = z.strictObject({ percent: between(0, 1000), least: whole(0, 10_000) });
/** More than is needed, since some break, get lost or are cut off: so many of a hundred, and at least so many. */
export type SpareRule = z.infer<typeof spareSchema>;

/** By group, those that are not as usual. */
export const sparesSchema = z.partial(
  z.strictObject(Object.fromEntries(partsGroups.map((group) => [group, spareSchema]))),
) as unknown as Schema<Partial<Record<PartsGroup, SpareRule>>>;

/** What is bought for how many devices, of whom, and what is in the drawer. */
export const purchaseSchema = z.strictObject({
  devices: whole(1, 1000),
  /** By the name of a line of the parts list. */
  stock: z.record(partNameSchema, quantitySchema),
  suppliers: listOf(supplierSchema, MOST_SUPPLIERS),
  /** Where spares are not as usual. */
  spares: sparesSchema,
  /** What a bought device of the sort costs, for comparison. */
  boughtPrice: z.nullable(moneySchema),
});
export type PurchaseSettings = z.infer<typeof purchaseSchema>;

export const usualPurchase: PurchaseSettings = { devices: 1, stock: {}, suppliers: [], spares: {}, boughtPrice: null };
