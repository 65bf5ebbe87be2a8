import { freshBringUp } from "../document/bringUpSettings";
import type { JournalEntry } from "../document/journalSettings";
import type { Design } from "../document/schema";
import type { Stage } from "../document/stageIds";

const byTime = (a: JournalEntry, b: JournalEntry) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0);

/** The journal in the order of time; entries of the same moment stay as they were written. */
const withJournal = (design: Design, journal: JournalEntry[]): Design => ({
  ...design,
  journal: [...journal].sort(byTime),
});

export const writeEntry = (design: Design, entry: JournalEntry): Design =>
  withJournal(design, [...design.journal.filter(({ id }) => id !== entry.id), entry]);

export const removeEntry = (design: Design, id: string): Design =>
  design.journal.some((entry) => entry.id === id)
    ? withJournal(
        design,
        design.journal
          .filter((entry) => entry.id !== id)
          // Tasks of a revision that is struck out are regrets again.
          .map((entry) => (entry.taskOf === id ? asRegret(entry) : entry)),
      )
    : design;

function asRegret({ taskOf: _, ...entry }: JournalEntry): JournalEntry {
  return entry;
}

function unsettled({ isDone: _, ...entry }: JournalEntry): JournalEntry {
  return entry;
}

const changed = (design: Design, id: string, change: (entry: JournalEntry) => JournalEntry): Design =>
  design.journal.some((entry) => entry.id === id)
    ? withJournal(
        design,
        design.journal.map((entry) => (entry.id === id ? change(entry) : entry)),
      )
    : design;

/** A regret that is mended, or not after all. */
export const settleRegret = (design: Design, id: string, isDone: boolean): Design =>
  changed(design, id, (entry) => (isDone ? { ...entry, isDone: true } : unsettled(entry)));

/** A task of the revision that is a regret again. */
export const dropTask = (design: Design, id: string): Design => changed(design, id, asRegret);

/** Notes that the device as it is was frozen under this entry's id. */
export const noteRevision = (design: Design, entry: Pick<JournalEntry, "id" | "at" | "text">): Design =>
  writeEntry(design, { ...entry, kind: "revision" });

/**
 * The regrets chosen become tasks of the next revision, each in the stage where it is mended.
 * @param revisionId the entry of the revision that is left behind
 */
export const takeAsTasks = (design: Design, revisionId: string, stageOf: ReadonlyMap<string, Stage>): Design =>
  withJournal(
    design,
    design.journal.map((entry) => {
      const stage = stageOf.get(entry.id);
      return stage && entry.kind === "regret" ? { ...entry, stage, taskOf: revisionId } : entry;
    }),
  );

/** What is frozen of a design: all but the journal, which goes on. */
export const frozenOf = (design: Design): Design => ({ ...design, journal: [] });

/** A device as it was frozen comes back; what was noted, built and tested since stays. */
export function goBackTo({ id, name, journal, build, bringUp }: Design, frozen: Design): Design {
  const back: Design = { ...frozen, id, name, journal };
  delete back.build;
  delete back.bringUp;
  return { ...back, ...(build ? { build } : {}), ...(bringUp ? { bringUp } : {}) };
}

/** Nothing of the device as it is now was built or tested yet; how it shall be made stays, and so do own efforts. */
export function nothingBuilt(design: Design): Design {
  const { build, bringUp, ...rest } = design;
  const fresh = { ...rest, wires: { ...rest.wires, done: [] } };
  const efforts = bringUp?.efforts;
  return {
    ...fresh,
    ...(build ? { build: { ...build, done: [], skipped: [], minutes: {}, device: undefined } } : {}),
    ...(efforts ? { bringUp: { ...freshBringUp, efforts } } : {}),
  };
}

/** Says why a finding is left as it is. */
export const acceptFinding = (
  design: Design,
  finding: { rule: string; message: string },
  entry: Pick<JournalEntry, "id" | "at" | "text">,
): Design =>
  withJournal(design, [
    ...design.journal.filter((one) => !isAbout(one, finding)),
    { ...entry, kind: "accepted", finding: { rule: finding.rule, message: finding.message } },
  ]);

const isAbout = ({ kind, finding }: JournalEntry, { rule, message }: { rule: string; message: string }) =>
  kind === "accepted" && finding?.rule === rule && finding.message === message;

/** The finding is told again as the rule has it. */
export const tellFindingAgain = (design: Design, finding: { rule: string; message: string }): Design =>
  withJournal(
    design,
    design.journal.filter((one) => !isAbout(one, finding)),
  );
