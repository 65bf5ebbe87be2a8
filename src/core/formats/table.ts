import Papa from "papaparse";

/** One thing wrong with a line of a table, and what to do. */
export interface LineProblem {
  line: number;
  message: string;
}

export interface TableRow {
  /** Line in the file, counted from 1 as editors do. */
  line: number;
  cells: Record<string, string>;
}

export interface Table {
  rows: TableRow[];
  /** Columns that were found, by the names asked for. */
  columns: string[];
  hasHeader: boolean;
  problems: LineProblem[];
}

/** Sign between cells: a tab from spreadsheets, a semicolon beside decimal commas, else a comma. */
function delimiterOf(text: string): string {
  const first = text.split(/\r?\n/, 1)[0];
  if (first.includes("\t")) return "\t";
  return first.includes(";") ? ";" : ",";
}

/**
 * Reads a table whose columns may be named in any order by a first line, or else stand in the given order.
 * @param names by column: the words that may head it, the usual one first
 */
export function readTable(text: string, names: Record<string, string[]>): Table {
  const clean = text.replace(/^\uFEFF/, "");
  const parsed = Papa.parse<string[]>(clean, { delimiter: delimiterOf(clean), skipEmptyLines: false });
  const lines = parsed.data.map((cells, nth) => ({ line: nth + 1, cells: cells.map((cell) => cell.trim()) }));
  const filled = lines.filter(({ cells }) => cells.some((cell) => cell !== ""));
  const first = filled[0]?.cells ?? [];
  const named = first.map((cell) => columnNamed(cell, names));
  const hasHeader = named.filter((name) => name !== null).length >= 2;
  const order = hasHeader ? named : Object.keys(names);
  const unknown = hasHeader ? first.filter((cell, nth) => named[nth] === null && cell !== "") : [];
  const problems: LineProblem[] = unknown.map((cell) => ({
    line: filled[0].line,
    message: `The column "${cell}" is not known and was left out. Known: ${Object.values(names)
      .map(([usual]) => usual)
      .join(", ")}.`,
  }));
  const rows = (hasHeader ? filled.slice(1) : filled).map(({ line, cells }) => ({
    line,
    cells: Object.fromEntries(
      order.flatMap((name, nth) => (name && cells[nth] !== undefined ? [[name, cells[nth]]] : [])),
    ),
  }));
  return { rows, columns: order.filter((name) => name !== null), hasHeader, problems };
}

function columnNamed(cell: string, names: Record<string, string[]>): string | null {
  const word = cell
    .toLowerCase()
    .replace(/\(.*\)/, "")
    .trim();
  return Object.keys(names).find((name) => names[name].includes(word)) ?? null;
}

/** A number with a point or a comma before its decimals; null when it is none. */
export function numberIn(cell: string | undefined): number | null {
  if (cell === undefined || cell === "") return null;
  const value = Number(cell.replace(",", "."));
  return Number.isFinite(value) ? value : null;
}
