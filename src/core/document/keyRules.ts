import { idSchema } from "../catalogue/kinds/controlKind";
import { LIMITS } from "../contract/contract";
import { listOf, text, whole, z } from "../schema";

/** Keys that, pressed within a time, do another thing together: an input of its own, bound by layer like others. */
const togetherSchema = z.strictObject({
  id: idSchema,
  /** Input ids of the keys. */
  parts: listOf(text(1, 80), LIMITS.TOGETHER_PARTS, 2),
  /** From the first press to the last. */
  windowMs: whole(1, LIMITS.WINDOW_MS),
});
export type Together = z.infer<typeof togetherSchema>;
/** The input by which keys together are bound. */
export const togetherInput = (id: string): string => `${id}:together`;

export const togetherListSchema = listOf(togetherSchema, LIMITS.TOGETHER);

export const oppositeSchools = ["neither", "last", "first", "one-side"] as const;

/** Two opposite directions, and what counts while both are held; of one side it is the first that does. */
const oppositeSchema = z.strictObject({
  first: text(1, 80),
  second: text(1, 80),
  counts: z.enum(oppositeSchools),
});
export type Opposite = z.infer<typeof oppositeSchema>;
export const oppositeListSchema = listOf(oppositeSchema, LIMITS.OPPOSITES);
