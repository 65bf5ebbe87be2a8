import { between, listOf, text, z } from "../schema";

/** What tests told of a built device, what they cost, and what was repaired. */
export const bringUpSchema = z.strictObject({
  /** In the order in which they were made: the test, and what came in the form that tests are compared in. */
  answers: listOf(z.strictObject({ trial: text(1, 2000), came: text(0, 20_000) }), 2000),
  /** What a press, a sweep, bending and a meter cost, where that is not as usual. */
  efforts: z.optional(
    z.strictObject({
      press: between(0.1, 100),
      sweep: between(0.1, 100),
      bend: between(0.1, 100),
      meter: between(0.1, 100),
    }),
  ),
  /** It fails now and then, or somehow: a fault is looked for although no test showed one yet. */
  isHunted: z.optional(z.literal(true)),
  /** Tests to be made again after a repair. */
  retests: listOf(text(1, 2000), 2000),
  /** What was found and mended: the fault in words, and when. */
  repairs: listOf(z.strictObject({ what: text(1, 1000), at: text(1, 40) }), 1000),
});
export type BringUp = z.infer<typeof bringUpSchema>;

export const freshBringUp: BringUp = { answers: [], retests: [], repairs: [] };
