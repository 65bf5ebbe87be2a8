import { idSchema } from "../catalogue/kinds/controlKind";
import { between, listOf, text, whole, z } from "../schema";

/** What was practised: typing a text, pressing what is named, turning to a place, following a mark, finding a fault. */
export const drillSorts = ["type", "press", "turn", "follow", "find"] as const;
export type DrillSort = (typeof drillSorts)[number];

/** How one thing that was asked for went: how often it was asked, how often something else came first, and how long the right ones took. */
const tallySchema = z.strictObject({ tries: whole(0, 1e6), errors: whole(0, 1e6), rightMs: between(0, 1e9) });
export type Tally = z.infer<typeof tallySchema>;

/** One bout of practice. */
export const practiceRunSchema = z.strictObject({
  id: idSchema,
  at: z.iso.datetime(),
  sort: z.enum(drillSorts),
  /** From the first thing done to the last. */
  seconds: between(0, 1e6),
  /** Of a text: signs wanted, signs that stand there at the end, what separates the two (least edits), and what was mended on the way. */
  typed: z.optional(
    z.strictObject({
      presented: whole(0, 1e6),
      transcribed: whole(0, 1e6),
      distance: whole(0, 1e6),
      incorrectFixed: whole(0, 1e6),
      keystrokes: whole(0, 1e6),
    }),
  ),
  /** By what was asked for: the sign of a text, else the input or the knob. */
  of: z.record(text(1, 200), tallySchema),
  /** How far off, on the average: steps of a knob, hundredths of an axis. */
  meanOff: z.optional(between(0, 1e6)),
  /** Of a fault: what the tests cost, what the best line would have cost, and whether it was named. */
  found: z.optional(z.strictObject({ effort: between(0, 1e6), best: between(0, 1e6), isRight: z.boolean() })),
});
export type PracticeRun = z.infer<typeof practiceRunSchema>;

export const MOST_RUNS = 5000;
export const practiceRunsSchema = listOf(practiceRunSchema, MOST_RUNS);
