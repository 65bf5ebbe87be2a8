import type { JournalEntry } from "../document/journalSettings";
import type { Design } from "../document/schema";
import { spendingWords } from "../journal/entryWords";
import { timelineOf } from "../journal/timeline";
import { type Artifact, asText } from "./artifact";
import { csvFile } from "./csvFile";
import { csvBytes } from "./csvText";

const COLUMNS = ["When", "Kind", "Text", "Value", "Unit", "Spent on", "Stage", "Parts", "Photos", "State"];

/** Minutes are counted as such; money has no unit of its own. */
function unitOf(entry: JournalEntry): string {
  if (entry.value === undefined || entry.kind === "money") return "";
  return entry.kind === "time" ? "min" : (entry.unit ?? "");
}

function stateOf({ isDone, taskOf }: JournalEntry): string {
  if (isDone) return "mended";
  return taskOf === undefined ? "" : "task";
}

const entryCells = (entry: JournalEntry) => ({
  Value: entry.value ?? "",
  Unit: asText(unitOf(entry)),
  "Spent on": entry.kind === "money" ? spendingWords[entry.spentOn ?? "other"] : "",
  Stage: entry.stage ?? "",
  State: stateOf(entry),
});

const rowsOf = (design: Design): Record<string, string | number>[] =>
  timelineOf(design).map(({ at, kindWords, text, parts, photos, entry }) => ({
    When: at,
    Kind: kindWords,
    Text: asText(text),
    Parts: asText(parts),
    Photos: photos.length,
    ...(entry ? entryCells(entry) : {}),
  }));

/** The journal as a table: RFC 4180. */
export const journalTable = (design: Design): Uint8Array => csvBytes(COLUMNS, rowsOf(design));

export const journalCsv: Artifact = {
  id: "journal-csv",
  title: "Journal as a table",
  purpose: "Every entry with its time, what it counts and what it is tied to, and every repair.",
  make: async (design) => csvFile(design, "journal", COLUMNS, rowsOf(design)),
};
