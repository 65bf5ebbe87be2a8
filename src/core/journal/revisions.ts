import type { JournalEntry } from "../document/journalSettings";
import type { Design } from "../document/schema";

/** Entries of a design's revisions, the oldest first. */
export const revisionsOf = ({ journal }: Pick<Design, "journal">): JournalEntry[] =>
  journal.filter(({ kind }) => kind === "revision");

/** "Revision 3" for the third that is frozen. */
export const nextRevisionName = (design: Pick<Design, "journal">): string =>
  `Revision ${revisionsOf(design).length + 1}`;

/** What is regretted and neither mended nor a task yet. */
export const openRegrets = ({ journal }: Pick<Design, "journal">): JournalEntry[] =>
  journal.filter(({ kind, isDone, taskOf }) => kind === "regret" && !isDone && taskOf === undefined);

/** Regrets that became tasks, of the newest revision first. */
export function tasksOf(design: Pick<Design, "journal">): JournalEntry[] {
  const order = revisionsOf(design).map(({ id }) => id);
  return design.journal
    .filter(({ kind, taskOf }) => kind === "regret" && taskOf !== undefined)
    .sort((a, b) => order.indexOf(b.taskOf!) - order.indexOf(a.taskOf!));
}
