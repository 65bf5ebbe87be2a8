import type { EntryKind, JournalEntry } from "../document/journalSettings";
import type { Design } from "../document/schema";
import { entryKindWords, partWords, valueWords } from "./entryWords";

/** A line of the record, whether it was written down or told by another stage. */
export interface RecordLine {
  id: string;
  at: string;
  kind: EntryKind;
  kindWords: string;
  text: string;
  value: string;
  /** Controls that are there. */
  partIds: string[];
  parts: string;
  photos: string[];
  /** The entry behind it; null where Bring-up told it. */
  entry: JournalEntry | null;
}

function lineOfEntry(design: Design, there: Set<string>, entry: JournalEntry): RecordLine {
  const { id, at, kind, text, parts = [], photos = [] } = entry;
  return {
    id,
    at,
    kind,
    kindWords: entryKindWords[kind],
    text: kind === "accepted" ? acceptedWords(entry) : text,
    value: valueWords(entry),
    partIds: parts.filter((part) => there.has(part)),
    parts: partWords(design, parts),
    photos,
    entry,
  };
}

const acceptedWords = ({ finding, text }: JournalEntry) =>
  finding ? `${finding.message} Left as it is: ${text}` : text;

/** Everything that happened, the oldest first: what was written down, and the repairs that Bring-up noted. */
export function timelineOf(design: Design): RecordLine[] {
  const there = new Set(design.controls.map(({ id }) => id));
  const written = design.journal.map((entry) => lineOfEntry(design, there, entry));
  const repairs = (design.bringUp?.repairs ?? []).map(({ what, at }, nth): RecordLine => ({
    id: `repair ${nth}`,
    at,
    kind: "repair",
    kindWords: entryKindWords.repair,
    text: what,
    value: "",
    partIds: [],
    parts: "",
    photos: [],
    entry: null,
  }));
  return [...written, ...repairs].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}
