import Papa from "papaparse";
import { type LoggedStep } from "./pace";
import { type StepSort, stepSorts } from "./stepSorts";

/** A line of the log as it stands in a file. */
export interface PaceLine extends LoggedStep {
  key: string;
  at: string;
}

const FIELDS = ["at", "step", "sort", "units", "minutes", "device"] as const;
const SORTS = new Set<string>(stepSorts.map(({ id }) => id));
const MOST_MINUTES = 100_000;

/** The log as a table (RFC 4180). */
export const paceCsv = (lines: PaceLine[]): string =>
  `${Papa.unparse(
    {
      fields: [...FIELDS],
      data: lines.map(({ at, key, sort, units, minutes, device }) => [
        at,
        key,
        sort,
        units,
        minutes.toFixed(2),
        device,
      ]),
    },
    { newline: "\r\n" },
  )}\r\n`;

const numberOf = (text: string | undefined, most: number) => {
  const value = Number(text);
  return text !== undefined && text.trim() !== "" && value > 0 && value <= most ? value : null;
};

/** Reads a log back; what cannot be read is told by its line. */
export function readPaceCsv(text: string): { lines: PaceLine[]; problems: { line: number; message: string }[] } {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ""), {
    header: true,
    skipEmptyLines: true,
  });
  const missing = FIELDS.filter((field) => !(meta.fields ?? []).includes(field));
  if (missing.length > 0) return { lines: [], problems: [{ line: 1, message: `has no column ${missing.join(", ")}` }] };
  const lines: PaceLine[] = [];
  const problems: { line: number; message: string }[] = [];
  data.forEach((row, nth) => {
    const units = numberOf(row.units, 100_000);
    const minutes = numberOf(row.minutes, MOST_MINUTES);
    const device = numberOf(row.device, 10_000);
    if (!SORTS.has(row.sort)) problems.push({ line: nth + 2, message: `"${row.sort}" is no sort of step` });
    else if (units === null || minutes === null || device === null)
      problems.push({ line: nth + 2, message: "units, minutes and device must be numbers above 0" });
    else lines.push({ at: row.at, key: row.step, sort: row.sort as StepSort, units, minutes, device });
  });
  return { lines, problems };
}
