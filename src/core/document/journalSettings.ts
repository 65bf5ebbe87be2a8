import { idSchema } from "../catalogue/kinds/controlKind";
import { between, listOf, text, z } from "../schema";
import { stageIds } from "./stageIds";

/** What an entry of the journal is. */
export const entryKinds = [
  "note",
  "measurement",
  "time",
  "money",
  "fault",
  "repair",
  "regret",
  "accepted",
  "revision",
] as const;
export type EntryKind = (typeof entryKinds)[number];

/** What money went to. */
export const spendings = ["parts", "boards", "tools", "shipping", "other"] as const;
export type Spending = (typeof spendings)[number];

export const MOST_ENTRIES = 5000;
export const MOST_PHOTOS_OF_ENTRY = 20;

/**
 * One line of the record. What a kind alone has is left out of the others: a value with its unit (measured; minutes of
 * time; money), what it was spent on, the finding that is accepted, the revision that was frozen or that a regret became a task of.
 */
export const journalEntrySchema = z.strictObject({
  id: idSchema,
  at: z.iso.datetime(),
  kind: z.enum(entryKinds),
  text: text(0, 4000),
  /** Controls that it is about; a control may be gone by now. */
  parts: z.optional(listOf(idSchema, 1000)),
  /** The stage that it was spent on, or that a regret is mended in. */
  stage: z.optional(z.enum(stageIds)),
  value: z.optional(between(-1e9, 1e9)),
  unit: z.optional(text(0, 20)),
  spentOn: z.optional(z.enum(spendings)),
  /** Photos, which lie beside the design. */
  photos: z.optional(listOf(idSchema, MOST_PHOTOS_OF_ENTRY)),
  /** The finding that is left as it is, by its rule and its words: one that says something else is told anew. */
  finding: z.optional(z.strictObject({ rule: text(1, 200), message: text(1, 20_000) })),
  /** Of a regret: the revision, by its entry's id, that it is a task of. */
  taskOf: z.optional(idSchema),
  isDone: z.optional(z.literal(true)),
});
export type JournalEntry = z.infer<typeof journalEntrySchema>;
