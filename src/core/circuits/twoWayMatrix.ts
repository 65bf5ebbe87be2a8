import { whole, z } from "../schema";
import { circuitFields } from "./circuitFields";
import type { CircuitKind, ScanGroup } from "./circuitKind";
import { type Net, type PlacedElement, lineNeed } from "./net";
import { CircuitBuilder } from "./circuitBuilder";

const cellSchema = z.strictObject({
  row: whole(0, 31),
  column: whole(0, 31),
  /** Which way its diode lets current flow; the crossing's other switch has it the other way round. */
  direction: z.enum(["column-to-row", "row-to-column"]),
});
export type TwoWayCell = z.infer<typeof cellSchema>;

const twoWaySchema = z.strictObject({
  ...circuitFields,
  kind: z.literal("two-way-matrix"),
  cells: z.record(z.string(), cellSchema),
});
export type TwoWayMatrix = z.infer<typeof twoWaySchema>;

interface Member {
  element: PlacedElement;
  cell: TwoWayCell;
}

const lineOf = (builder: CircuitBuilder, axis: "row" | "column", line: number): Net =>
  builder.own(`${axis === "row" ? "R" : "C"}${line + 1}`, "line", lineNeed);

function addMember(builder: CircuitBuilder, { element, cell }: Member) {
  const row = lineOf(builder, "row", cell.row);
  const column = lineOf(builder, "column", cell.column);
  const [from, to] = cell.direction === "column-to-row" ? [column, row] : [row, column];
  builder.joint(column, element, 0);
  builder.inline("diode", row, element, 1, cell.direction === "column-to-row" ? "anode" : "cathode");
  builder.built.conductors.push({ contact: element.id, from: from.id, to: to.id, diode: true });
  return { strobeNet: to.id, senseNet: from.id, elementId: element.id };
}

function grouped(cells: ReturnType<typeof addMember>[]): ScanGroup[] {
  const groups = new Map<string, ScanGroup>();
  for (const { strobeNet, senseNet, elementId } of cells) {
    const group = groups.get(strobeNet) ?? { strobeNet, cells: [] };
    group.cells.push({ senseNet, elementId });
    groups.set(strobeNet, group);
  }
  return [...groups.values()];
}

/** The first free place of a crossing table `columns` wide, both ways of a crossing in turn. */
function freeCell(taken: Set<string>, columns: number): TwoWayCell {
  for (let nth = 0; ; nth++) {
    const crossing = nth >> 1;
    const cell: TwoWayCell = {
      row: Math.floor(crossing / columns),
      column: crossing % columns,
      direction: nth % 2 === 0 ? "column-to-row" : "row-to-column",
    };
    if (!taken.has(keyOf(cell))) return cell;
  }
}

const keyOf = ({ row, column, direction }: TwoWayCell) => `${row} ${column} ${direction}`;

/** As near to a square as the count allows: r · c crossings carry 2 · r · c switches. */
const columnsFor = (count: number) => Math.max(1, Math.ceil(Math.sqrt(count / 2)));

/** Every crossing carries two switches whose diodes point opposite ways; each line is driven and read in turn. */
export const twoWayMatrix: CircuitKind<TwoWayMatrix> = {
  kind: "two-way-matrix",
  stem: "two-way",
  title: "Two-way matrix",
  purpose:
    "Two switches at each crossing, told apart by their diodes: half the crossings, no switch without its diode.",
  schema: twoWaySchema,
  fresh: (id, name) => ({ id, kind: "two-way-matrix", name, cells: {} }),
  accepts: (element) => element.kind === "switch",
  members: (circuit) => Object.keys(circuit.cells),
  with(circuit, ids) {
    const cells = { ...circuit.cells };
    const columns = columnsFor(Object.keys(cells).length + ids.length);
    const taken = new Set(Object.values(cells).map(keyOf));
    for (const id of ids) {
      cells[id] = freeCell(taken, columns);
      taken.add(keyOf(cells[id]));
    }
    return { ...circuit, cells };
  },
  without(circuit, elementId) {
    if (!(elementId in circuit.cells)) return circuit;
    const { [elementId]: _, ...cells } = circuit.cells;
    return { ...circuit, cells };
  },
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const members = Object.entries(circuit.cells).flatMap(([id, cell]) => {
      const element = elements.get(id);
      return element && twoWayMatrix.accepts(element) ? [{ element, cell }] : [];
    });
    builder.built.groups = grouped(members.map((member) => addMember(builder, member)));
    builder.built.reading.settles = builder.built.groups.length;
    return builder.built;
  },
};
