import type { Cell, MatrixCircuit } from "../circuits/matrix";
import type { PlacedElement } from "../circuits/net";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Point } from "../geometry/point";
import { readingRows } from "../geometry/readingOrder";
import { type MatrixMeasures, measuresOf } from "./matrixMeasures";
import { type Assignment, type MatrixProblem, assignmentOf, cellsOf, measured } from "./matrixProblem";
import { fewestLines } from "./planReadingOrder";
import { treeOfPlacesMm } from "../optimisation/spanningTree";
import { startAssignments } from "./startAssignments";

/** The two schools: regular for programming, or short for soldering. */
export const schools = ["reading", "wiring"] as const;
export type School = (typeof schools)[number];

/** What the person asks of a plan. Null rows and columns leave them to the layout, or to the fewest pins. */
export interface MatrixWish {
  school: School;
  rows: number | null;
  columns: number | null;
  /** Lines as they lie, or as few as can be. */
  lines: "as-laid-out" | "fewest-pins";
  /** A matrix for each board, so that no row crosses the gap. */
  perBoard: boolean;
}

export const usualMatrixWish: MatrixWish = {
  school: "reading",
  rows: null,
  columns: null,
  lines: "as-laid-out",
  perBoard: false,
};

const MOST_LINES = 32;

/** Switches that one matrix is to read, with the matrix they become. */
export interface MatrixPart extends MatrixProblem {
  circuitId: string;
  name: string;
  toleranceMm: number;
}

const isMatrix = (circuit: Design["circuits"][number]): circuit is MatrixCircuit => circuit.kind === "matrix";

/** Switches that a matrix plan may move: those of matrices, of direct wiring, and those not wired yet. */
export function matrixSwitches(design: Design): PlacedElement[] {
  const { elements, circuitsOf } = derive(design);
  const movable = new Set(
    design.circuits.filter(({ kind }) => kind === "matrix" || kind === "direct").map(({ id }) => id),
  );
  return [...elements.values()].filter(
    (element) => element.kind === "switch" && (circuitsOf.get(element.id) ?? []).every((id) => movable.has(id)),
  );
}

/** Lines for so many switches within what the person fixed; null when they cannot be enough. */
export function linesWithin(count: number, rows: number | null, columns: number | null) {
  if (rows !== null && columns !== null) return rows * columns >= count ? { rows, columns } : null;
  if (rows !== null) return within({ rows, columns: Math.ceil(count / rows) });
  if (columns !== null) return within({ rows: Math.ceil(count / columns), columns });
  return fewestLines(count);
}

const within = (lines: { rows: number; columns: number }) =>
  lines.rows <= MOST_LINES && lines.columns <= MOST_LINES ? lines : null;

/** Rows and columns that n switches fit in, by pins, for each number of rows up to a square. */
export function lineAlternatives(count: number): { rows: number; columns: number; pins: number }[] {
  const least = fewestLines(count);
  const all: { rows: number; columns: number; pins: number }[] = [];
  for (let rows = 1; rows <= Math.max(1, least.columns); rows++) {
    const columns = Math.ceil(count / rows);
    if (rows <= MOST_LINES && columns <= MOST_LINES) all.push({ rows, columns, pins: rows + columns });
  }
  return all.sort((a, b) => a.pins - b.pins || a.rows - b.rows);
}

/** Matrices of single boards are told apart by a letter; one for all of them is the plain one. */
const isLettered = (id: string) => /^matrix-[A-Z]+$/.test(id);

const keyOf = (matrices: MatrixCircuit[]) => (element: PlacedElement) => {
  const home = matrices.find(({ locked }) => locked.includes(element.id));
  return {
    id: element.id,
    rowAt: element.contacts[1].at,
    columnAt: element.contacts[0].at,
    locked: home?.cells[element.id] ?? null,
  };
};

/** Rows and columns that a reader sees. */
function laidOut(switches: PlacedElement[], design: Design) {
  const { controls } = derive(design);
  const placed = switches.map(({ id, controlId }) => ({ id, at: controls.get(controlId)!.placement }));
  const rows = readingRows(placed, design.pitch.yMm / 2);
  return { rows: rows.length, columns: Math.max(0, ...rows.map((row) => row.length)) };
}

function linesFor(switches: PlacedElement[], wish: MatrixWish, design: Design) {
  if (wish.rows !== null || wish.columns !== null || wish.lines === "fewest-pins")
    return linesWithin(switches.length, wish.rows, wish.columns);
  return within(laidOut(switches, design)) ?? fewestLines(switches.length);
}

const groupOf = (design: Design, perBoard: boolean, { controlId }: PlacedElement) =>
  perBoard ? derive(design).controls.get(controlId)!.placement.boardId : "";

/** A, B … Z, AA, AB … */
const letters = (nth: number): string =>
  (nth < 26 ? "" : letters(Math.floor(nth / 26) - 1)) + String.fromCharCode(65 + (nth % 26));

/** The switches of a design as one matrix, or one for each board. Parts that lines cannot hold are left out. */
export function matrixParts(design: Design, wish: MatrixWish): MatrixPart[] {
  const matrices = design.circuits.filter(isMatrix);
  const groups = new Map<string, PlacedElement[]>();
  for (const element of matrixSwitches(design)) {
    const group = groupOf(design, wish.perBoard, element);
    groups.set(group, [...(groups.get(group) ?? []), element]);
  }
  const single = groups.size === 1;
  return [...groups.entries()].flatMap(([boardId, switches], nth) => {
    const lines = linesFor(switches, wish, design);
    if (!lines) return [];
    const keys = switches.map(keyOf(matrices));
    const locked = keys.flatMap((key) => key.locked ?? []);
    const board = design.boards.find(({ id }) => id === boardId);
    return {
      circuitId: single ? (matrices.find(({ id }) => !isLettered(id))?.id ?? "matrix") : `matrix-${letters(nth)}`,
      name: single || !board ? "Matrix" : `Matrix, ${board.name}`.slice(0, 40),
      keys,
      rows: Math.max(lines.rows, ...locked.map(({ row }) => row + 1)),
      columns: Math.max(lines.columns, ...locked.map(({ column }) => column + 1)),
      toleranceMm: design.pitch.yMm / 2,
    };
  });
}

/** A matrix planned, with what it comes to and what no plan can undercut. */
export interface MatrixAnswer {
  circuitId: string;
  name: string;
  cells: Record<string, Cell>;
  rows: number;
  columns: number;
  measures: MatrixMeasures;
  lowerBoundMm: number;
}

export const answerOf = (part: MatrixPart, assignment: Assignment, boundMm: number): MatrixAnswer => ({
  circuitId: part.circuitId,
  name: part.name,
  cells: cellsOf(part, assignment),
  rows: part.rows,
  columns: part.columns,
  measures: measuresOf(measured(part), assignment),
  lowerBoundMm: boundMm,
});

/** Reading order, as far as the lines allow; locked switches keep their cells. No bound is worked out for it. */
export function planPartInOrder(part: MatrixPart): MatrixAnswer | null {
  const [inOrder] = startAssignments(part, part.toleranceMm);
  return inOrder ? answerOf(part, inOrder, 0) : null;
}

/** The wiring of a circuit as it stands, as a problem and its solution; null while it is empty. */
function asItStands(design: Design, circuit: MatrixCircuit) {
  const { elements } = derive(design);
  const keys = Object.keys(circuit.cells).flatMap((id) => {
    const element = elements.get(id);
    return element ? [keyOf([])(element)] : [];
  });
  if (keys.length === 0) return null;
  const cells = Object.values(circuit.cells);
  const problem = measured({
    keys,
    rows: 1 + Math.max(...cells.map(({ row }) => row)),
    columns: 1 + Math.max(...cells.map(({ column }) => column)),
  });
  return { problem, assignment: assignmentOf(problem, circuit.cells) };
}

/** What the wiring of a circuit as it stands comes to; null while it is empty. */
export function measuresOfCircuit(design: Design, circuit: MatrixCircuit): MatrixMeasures | null {
  return derive(design).once(`measures of ${circuit.id}`, () => {
    const now = asItStands(design, circuit);
    return now && measuresOf(now.problem, now.assignment);
  });
}

/** Length of the longest row or column of a circuit as it stands, in mm. */
export function longestLineMm(design: Design, circuit: MatrixCircuit): number {
  return derive(design).once(`longest line of ${circuit.id}`, () => {
    const { elements } = derive(design);
    const lines = new Map<string, Point[]>();
    const add = (line: string, at: Point) => lines.set(line, [...(lines.get(line) ?? []), at]);
    for (const [id, { row, column }] of Object.entries(circuit.cells)) {
      const element = elements.get(id);
      if (!element) continue;
      add(`row ${row}`, element.contacts[1].at);
      add(`column ${column}`, element.contacts[0].at);
    }
    return Math.max(0, ...[...lines.values()].map(treeOfPlacesMm));
  });
}
