import type { EntryKind, JournalEntry, Spending } from "@/core/document/journalSettings";
import type { Stage } from "@/core/document/stageIds";
import { readNumber } from "@/ui/pieces/readNumber";

/** An entry as it is being written: everything as text, as it stands in the fields. */
export interface Draft {
  kind: EntryKind;
  text: string;
  /** What was measured, minutes or money. */
  value: string;
  unit: string;
  spentOn: Spending;
  stage: Stage | "";
  /** The day and time as the browser's field has it, in local time. */
  at: string;
  parts: string[];
  photos: string[];
}

const two = (value: number) => String(value).padStart(2, "0");

/** A moment as the browser's field of date and time writes it: local time, to the minute. */
export function localTime(at: Date): string {
  const day = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
  return `${day}T${two(at.getHours())}:${two(at.getMinutes())}`;
}

export const emptyDraft = (kind: EntryKind, now: Date, parts: string[] = []): Draft => ({
  kind,
  text: "",
  value: "",
  unit: "",
  spentOn: "parts",
  stage: "",
  at: localTime(now),
  parts,
  photos: [],
});

/** An entry of the journal, in the fields again. */
export const draftOf = (entry: JournalEntry): Draft => ({
  kind: entry.kind,
  text: entry.text,
  value:
    entry.value === undefined
      ? ""
      : String(entry.kind === "time" ? Number((entry.value / 60).toFixed(4)) : entry.value),
  unit: entry.unit ?? "",
  spentOn: entry.spentOn ?? "parts",
  stage: entry.stage ?? "",
  at: localTime(new Date(entry.at)),
  parts: entry.parts ?? [],
  photos: entry.photos ?? [],
});

/** Kinds that count something, with what their number is called. */
const COUNTED: Partial<Record<EntryKind, { what: string; least: number; most: number }>> = {
  measurement: { what: "The measured value", least: -1e9, most: 1e9 },
  time: { what: "The hours", least: 0, most: 10_000 },
  money: { what: "The amount", least: -1e7, most: 1e7 },
};

/** What is wrong with a draft, in a sentence; null where it can be noted. */
export function draftProblem(draft: Draft): string | null {
  const counts = COUNTED[draft.kind];
  if (counts) {
    const value = readNumber(draft.value);
    if (value === null) return `${counts.what} is a number, like 4.93.`;
    if (value < counts.least || value > counts.most)
      return `${counts.what} lies between ${counts.least} and ${counts.most}.`;
  } else if (draft.text.trim() === "" && draft.photos.length === 0) return "Write what happened, or add a photo.";
  if (draft.text.length > 4000) return `The text has ${draft.text.length} characters; 4,000 is the most.`;
  if (Number.isNaN(new Date(draft.at).getTime())) return "The day is not whole.";
  return null;
}

/** The entry that a sound draft stands for; what its kind does not have is left out. */
export function entryOf(draft: Draft, id: string, kept?: JournalEntry): JournalEntry {
  const { kind, text, stage, parts, photos, spentOn, unit } = draft;
  const value = COUNTED[kind] ? readNumber(draft.value)! : undefined;
  const keptTime = kept && localTime(new Date(kept.at)) === draft.at ? kept.at : new Date(draft.at).toISOString();
  return {
    ...(kept?.finding ? { finding: kept.finding } : {}),
    ...(kept?.taskOf ? { taskOf: kept.taskOf } : {}),
    ...(kept?.isDone ? { isDone: true as const } : {}),
    id,
    at: keptTime,
    kind,
    text: text.trim(),
    ...(parts.length > 0 ? { parts } : {}),
    ...(photos.length > 0 ? { photos } : {}),
    ...(stage !== "" ? { stage } : {}),
    ...(value === undefined ? {} : { value: kind === "time" ? Math.round(value * 60 * 100) / 100 : value }),
    ...(kind === "measurement" && unit.trim() !== "" ? { unit: unit.trim() } : {}),
    ...(kind === "money" ? { spentOn } : {}),
  };
}
