import type { EntryKind, JournalEntry, Spending } from "../document/journalSettings";
import type { Design } from "../document/schema";
import { listed } from "../words";

export const entryKindWords: Record<EntryKind, string> = {
  note: "Note",
  measurement: "Measured",
  time: "Time",
  money: "Money",
  fault: "Fault",
  repair: "Repair",
  regret: "Regret",
  accepted: "Left as it is",
  revision: "Revision",
};

export const spendingWords: Record<Spending, string> = {
  parts: "parts",
  boards: "boards made",
  tools: "tools",
  shipping: "shipping",
  other: "other",
};

/** Minutes as a person says them: "45 min", "2 h 30 min". */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes);
  const [hours, rest] = [Math.trunc(whole / 60), Math.abs(whole % 60)];
  if (hours === 0) return `${whole} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** A number as it was noted: no zeros behind, no more than four places. */
const plain = (value: number) => String(Number(value.toFixed(4)));

/** What an entry counts: what was measured, how long it took, what it cost; empty where it counts nothing. */
export function valueWords({ kind, value, unit = "" }: Pick<JournalEntry, "kind" | "value" | "unit">): string {
  if (value === undefined) return "";
  if (kind === "time") return minutesWords(value);
  if (kind === "money") return value.toFixed(2);
  return unit === "" ? plain(value) : `${plain(value)} ${unit}`;
}

/** Names of the parts that an entry is tied to; those that are gone are counted. */
export function partWords({ controls }: Pick<Design, "controls">, parts: readonly string[] = []): string {
  const labels = new Map(controls.map(({ id, label }) => [id, label]));
  const there = parts.flatMap((id) => labels.get(id) ?? []);
  const gone = parts.length - there.length;
  return listed([...there, ...(gone > 0 ? [gone === 1 ? "one that is gone" : `${gone} that are gone`] : [])]);
}
