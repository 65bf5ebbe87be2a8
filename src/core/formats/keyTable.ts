import type { Control } from "../catalogue/kinds";
import { controlKinds } from "../catalogue/kinds";
import type { Pitch } from "../catalogue/kinds/controlKind";
import { type LineProblem, type TableRow, numberIn, readTable } from "./table";

const COLUMNS = {
  x: ["x", "across", "column"],
  y: ["y", "down", "row"],
  width: ["width", "w"],
  height: ["height", "h"],
  rotation: ["rotation", "turn", "turned", "angle"],
  label: ["label", "name", "legend"],
  kind: ["kind"],
  part: ["part"],
  board: ["board"],
  side: ["side"],
};

/** One part to place, in mm and units. */
export interface KeyRow {
  kind: Control["kind"];
  label: string;
  xMm: number;
  yMm: number;
  rotationDeg: number;
  widthU: number;
  heightU: number;
  mirrored: boolean;
}

export interface KeyTable {
  rows: KeyRow[];
  problems: LineProblem[];
}

/** What the numbers mean: key units, or millimetres of the centres. */
export type TableUnit = "units" | "mm";

const kinds = new Set<string>(controlKinds.map(({ kind }) => kind));

const limits: [
  column: "x" | "y" | "width" | "height" | "rotation",
  least: number,
  most: number,
  otherwise: number | null,
][] = [
  ["x", -2000, 2000, null],
  ["y", -2000, 2000, null],
  ["width", 0.5, 10, 1],
  ["height", 0.5, 4, 1],
  ["rotation", -360, 360, 0],
];

type Numbers = Record<(typeof limits)[number][0], number>;

function numbersOf({ cells }: TableRow): Numbers | string {
  const numbers: Partial<Numbers> = {};
  for (const [column, least, most, otherwise] of limits) {
    const cell = cells[column];
    const value = cell === undefined || cell === "" ? otherwise : numberIn(cell);
    if (value === null)
      return cell ? `"${cell}" under ${column} is not a number.` : `There is no ${column}. Each line needs x and y.`;
    if (value < least || value > most) return `${column} is ${value}; it goes from ${least} to ${most}.`;
    numbers[column] = value;
  }
  return numbers as Numbers;
}

/** In units x and y are the left upper corner of the cap, as grids are written down; in mm they are its centre. */
function rowOf(row: TableRow, numbers: Numbers, unit: TableUnit, pitch: Pitch): KeyRow {
  const { x, y, width, height, rotation } = numbers;
  const kind = (row.cells.kind ?? "") as Control["kind"];
  return {
    kind: kind || "key",
    label: (row.cells.label ?? "").replace(/^'(?=[=+\-@])/, "").slice(0, 40),
    xMm: unit === "mm" ? x : (x + (width - 1) / 2) * pitch.xMm,
    yMm: unit === "mm" ? y : (y + (height - 1) / 2) * pitch.yMm,
    rotationDeg: rotation,
    widthU: width,
    heightU: height,
    mirrored: row.cells.side === "solder",
  };
}

/**
 * Reads a key table: x, y, width, height, rotation, label (and kind), with or without a first line that names the
 * columns; comma, semicolon or tab between cells, decimal point or comma. Lines with problems are left out and told.
 */
export function readKeyTable(text: string, unit: TableUnit, pitch: Pitch): KeyTable {
  const table = readTable(text, COLUMNS);
  const problems = [...table.problems];
  const rows: KeyRow[] = [];
  for (const row of table.rows) {
    const { kind } = row.cells;
    const numbers = numbersOf(row);
    if (typeof numbers === "string") problems.push({ line: row.line, message: numbers });
    else if (kind && !kinds.has(kind))
      problems.push({ line: row.line, message: `"${kind}" is no kind of control here.` });
    else rows.push(rowOf(row, numbers, unit, pitch));
  }
  if (table.rows.length === 0) problems.push({ line: 1, message: "There is no line with numbers." });
  return { rows, problems };
}
