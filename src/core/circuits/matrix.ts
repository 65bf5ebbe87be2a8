import { whole, listOf, z } from "../schema";
import { circuitFields } from "./circuitFields";
import type { CircuitKind, Conductor, ScanGroup } from "./circuitKind";
import { type PlacedElement, inputNeed, outputNeed } from "./net";
import { memberIds } from "./memberList";
import { CircuitBuilder } from "./circuitBuilder";

/** Rows and columns are counted from 0 here and shown from 1. */
const cellSchema = z.strictObject({ row: whole(0, 31), column: whole(0, 31) });
export type Cell = z.infer<typeof cellSchema>;

/**
 * Which way a diode lets current flow; `none` leaves all diodes out. From column to row, the firmware drives one row
 * low and reads the columns; from row to column it drives a column and reads the rows.
 */
export const diodeDirections = ["column-to-row", "row-to-column", "none"] as const;
export type DiodeDirection = (typeof diodeDirections)[number];

const matrixSchema = z.strictObject({
  ...circuitFields,
  kind: z.literal("matrix"),
  diodes: z.enum(diodeDirections),
  cells: z.record(z.string(), cellSchema),
  /** Switches whose own diode is left out although the matrix has diodes. */
  withoutDiode: memberIds,
  /** Switches whose diode points against the others. */
  reversed: memberIds,
  /** Switches whose cell the person keeps: planning leaves them where they are. */
  locked: memberIds,
  /** Switches that are pressed together in use, so that no ghost may come of them. */
  chords: listOf(listOf(z.string(), 32, 2), 100),
});
export type MatrixCircuit = z.infer<typeof matrixSchema>;

export const rowNetId = (circuit: MatrixCircuit, row: number) => `${circuit.id}.R${row + 1}`;
export const columnNetId = (circuit: MatrixCircuit, column: number) => `${circuit.id}.C${column + 1}`;
export const hasDiode = (circuit: MatrixCircuit, elementId: string) =>
  circuit.diodes !== "none" && !circuit.withoutDiode.includes(elementId);

/** Flags of a second matrix carry its letter: matrix-L has LR1, LR2 … */
export const lineFlag = (circuit: Pick<MatrixCircuit, "id">, axis: "row" | "column", line: number): string =>
  `${/^matrix-(\w+)$/.exec(circuit.id)?.[1] ?? ""}${axis === "row" ? "R" : "C"}${line + 1}`;

const rowsAreDriven = (circuit: MatrixCircuit) => circuit.diodes !== "row-to-column";

export const isReversed = (circuit: MatrixCircuit, elementId: string): boolean =>
  hasDiode(circuit, elementId) && circuit.reversed.includes(elementId);

interface Member {
  element: PlacedElement;
  cell: Cell;
}

/** Lines of one axis with their switches; the diode sits between the switch and the row. */
function addLines(builder: CircuitBuilder, circuit: MatrixCircuit, members: Member[], axis: "row" | "column") {
  const need = (axis === "row") === rowsAreDriven(circuit) ? outputNeed : inputNeed;
  const inOrder = [...members].sort((a, b) => a.cell[axis] - b.cell[axis]);
  for (const { element, cell } of inOrder) {
    const id = axis === "row" ? rowNetId(circuit, cell.row) : columnNetId(circuit, cell.column);
    const net = builder.net(id, lineFlag(circuit, axis, cell[axis]), axis, need);
    if (axis === "column" || !hasDiode(circuit, element.id)) builder.joint(net, element, axis === "row" ? 1 : 0);
    else builder.inline("diode", net, element, 1, diodeEnd(circuit, element.id));
  }
}

/** Current that flows from column to row enters the diode at the switch. */
const diodeEnd = (circuit: MatrixCircuit, elementId: string) =>
  (circuit.diodes === "column-to-row") !== isReversed(circuit, elementId) ? "anode" : "cathode";

function conductor(circuit: MatrixCircuit, { element, cell }: Member): Conductor {
  const row = rowNetId(circuit, cell.row);
  const column = columnNetId(circuit, cell.column);
  const [from, to] = rowsAreDriven(circuit) !== isReversed(circuit, element.id) ? [column, row] : [row, column];
  return { contact: element.id, from, to, diode: hasDiode(circuit, element.id) };
}

function scanGroups(circuit: MatrixCircuit, members: Member[]): ScanGroup[] {
  const driven = rowsAreDriven(circuit) ? "row" : "column";
  const groups = new Map<number, ScanGroup>();
  const inOrder = [...members].sort((a, b) => a.cell.row - b.cell.row || a.cell.column - b.cell.column);
  for (const { element, cell } of inOrder) {
    const row = rowNetId(circuit, cell.row);
    const column = columnNetId(circuit, cell.column);
    const [strobeNet, senseNet] = driven === "row" ? [row, column] : [column, row];
    const group = groups.get(cell[driven]) ?? { strobeNet, cells: [] };
    group.cells.push({ senseNet, elementId: element.id });
    groups.set(cell[driven], group);
  }
  return [...groups.entries()].sort(([a], [b]) => a - b).map(([, group]) => group);
}

const MOST_LINES = 32;

/** A column of its own, so that a switch put in without a plan collides with nobody; when all are taken, a free cell. */
function freeCell(cells: Cell[]): Cell {
  const column = Math.max(-1, ...cells.map((cell) => cell.column)) + 1;
  if (column < MOST_LINES) return { row: 0, column };
  const taken = new Set(cells.map((cell) => cell.row * MOST_LINES + cell.column));
  let place = 0;
  while (taken.has(place)) place += 1;
  // A matrix of 32 by 32 lines is full; what comes then shares the last cell, and is told so.
  const row = Math.min(MOST_LINES - 1, Math.floor(place / MOST_LINES));
  return { row, column: place % MOST_LINES };
}

/** Each switch joins one row and one column, in the usual way with a diode. */
export const matrix: CircuitKind<MatrixCircuit> = {
  kind: "matrix",
  stem: "matrix",
  title: "Matrix",
  purpose: "Rows and columns: 54 switches on 15 pins, a diode at each for any chord.",
  schema: matrixSchema,
  fresh: (id, name) => ({
    id,
    kind: "matrix",
    name,
    diodes: "column-to-row",
    cells: {},
    withoutDiode: [],
    reversed: [],
    locked: [],
    chords: [],
  }),
  accepts: (element) => element.kind === "switch",
  members: (circuit) => Object.keys(circuit.cells),
  with(circuit, ids) {
    const cells = { ...circuit.cells };
    for (const id of ids) cells[id] = freeCell(Object.values(cells));
    return { ...circuit, cells };
  },
  without(circuit, elementId) {
    if (!(elementId in circuit.cells)) return circuit;
    const { [elementId]: _, ...cells } = circuit.cells;
    const others = (ids: string[]) => ids.filter((id) => id !== elementId);
    return {
      ...circuit,
      cells,
      withoutDiode: others(circuit.withoutDiode),
      reversed: others(circuit.reversed),
      locked: others(circuit.locked),
      chords: circuit.chords.map(others).filter((chord) => chord.length > 1),
    };
  },
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const members: Member[] = [];
    for (const [id, cell] of Object.entries(circuit.cells)) {
      const element = elements.get(id);
      if (element && matrix.accepts(element)) members.push({ element, cell });
    }
    addLines(builder, circuit, members, "row");
    addLines(builder, circuit, members, "column");
    const { built } = builder;
    built.conductors = members.map((member) => conductor(circuit, member));
    built.groups = scanGroups(circuit, members);
    built.reading.settles = built.groups.length;
    return built;
  },
};
