import { text, whole, listOf, z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";
import type { CircuitKind, CircuitPlan, Conductor, ScanGroup } from "./circuitKind";
import { type Net, type PlacedElement, inputNeed, outputNeed, tapOf } from "./net";

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
  id: idSchema,
  kind: z.literal("matrix"),
  name: text(1, 40),
  diodes: z.enum(diodeDirections),
  cells: z.record(z.string(), cellSchema),
  /** Switches whose own diode is left out although the matrix has diodes. */
  withoutDiode: listOf(z.string(), 256),
});
export type MatrixCircuit = z.infer<typeof matrixSchema>;

export const rowNetId = (circuit: MatrixCircuit, row: number) => `${circuit.id}.R${row + 1}`;
export const columnNetId = (circuit: MatrixCircuit, column: number) => `${circuit.id}.C${column + 1}`;
export const hasDiode = (circuit: MatrixCircuit, elementId: string) =>
  circuit.diodes !== "none" && !circuit.withoutDiode.includes(elementId);

const rowsAreDriven = (circuit: MatrixCircuit) => circuit.diodes !== "row-to-column";

interface Member {
  element: PlacedElement;
  cell: Cell;
}

function lineNets(circuit: MatrixCircuit, members: Member[], axis: "row" | "column"): Net[] {
  const drivenAxis = rowsAreDriven(circuit) ? "row" : "column";
  const byLine = new Map<number, Member[]>();
  for (const member of members) byLine.set(member.cell[axis], [...(byLine.get(member.cell[axis]) ?? []), member]);
  return [...byLine.entries()]
    .sort(([a], [b]) => a - b)
    .map(([line, onLine]) => ({
      id: axis === "row" ? rowNetId(circuit, line) : columnNetId(circuit, line),
      flag: `${axis === "row" ? "R" : "C"}${line + 1}`,
      role: axis,
      need: axis === drivenAxis ? outputNeed : inputNeed,
      taps: onLine.map(({ element }) => tapOf(element, axis === "row" ? 1 : 0)),
    }));
}

function conductor(circuit: MatrixCircuit, { element, cell }: Member): Conductor {
  const row = rowNetId(circuit, cell.row);
  const column = columnNetId(circuit, cell.column);
  const [from, to] = rowsAreDriven(circuit) ? [column, row] : [row, column];
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

/** Each switch joins one row and one column, in the usual way with a diode. */
export const matrix: CircuitKind<MatrixCircuit> = {
  kind: "matrix",
  title: "Matrix",
  schema: matrixSchema,
  takes: (element) => element.kind === "switch",
  members: (circuit) => Object.keys(circuit.cells),
  without(circuit, elementId) {
    if (!(elementId in circuit.cells)) return circuit;
    const { [elementId]: _, ...cells } = circuit.cells;
    return { ...circuit, cells, withoutDiode: circuit.withoutDiode.filter((id) => id !== elementId) };
  },
  plan(circuit, elements): CircuitPlan {
    const members: Member[] = [];
    for (const [id, cell] of Object.entries(circuit.cells)) {
      const element = elements.get(id);
      if (element) members.push({ element, cell });
    }
    return {
      nets: [...lineNets(circuit, members, "row"), ...lineNets(circuit, members, "column")],
      conductors: members.map((member) => conductor(circuit, member)),
      groups: scanGroups(circuit, members),
      encoders: [],
      lamps: [],
      diodes: members.filter(({ element }) => hasDiode(circuit, element.id)).length,
      resistors: 0,
    };
  },
};
