import { text, whole, z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";
import type { CircuitKind, ScanGroup } from "./circuitKind";
import { type Net, type PlacedElement, lineNeed } from "./net";
import { PlanBuilder } from "./planBuilder";

const cellSchema = z.strictObject({
  row: whole(0, 31),
  column: whole(0, 31),
  /** Which way its diode points: the crossing's other switch has it the other way. */
  way: z.enum(["column-to-row", "row-to-column"]),
});
export type TwoWayCell = z.infer<typeof cellSchema>;

const twoWaySchema = z.strictObject({
  id: idSchema,
  kind: z.literal("two-way-matrix"),
  name: text(1, 40),
  cells: z.record(z.string(), cellSchema),
});
export type TwoWayMatrix = z.infer<typeof twoWaySchema>;

interface Member {
  element: PlacedElement;
  cell: TwoWayCell;
}

const lineOf = (builder: PlanBuilder, axis: "row" | "column", line: number): Net =>
  builder.own(`${axis === "row" ? "R" : "C"}${line + 1}`, "line", lineNeed);

function addMember(builder: PlanBuilder, { element, cell }: Member) {
  const row = lineOf(builder, "row", cell.row);
  const column = lineOf(builder, "column", cell.column);
  const [from, to] = cell.way === "column-to-row" ? [column, row] : [row, column];
  builder.joint(column, element, 0);
  builder.inline("diode", row, element, 1, cell.way === "column-to-row" ? "anode" : "cathode");
  builder.plan.conductors.push({ contact: element.id, from: from.id, to: to.id, diode: true });
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
      way: nth % 2 === 0 ? "column-to-row" : "row-to-column",
    };
    if (!taken.has(keyOf(cell))) return cell;
  }
}

const keyOf = ({ row, column, way }: TwoWayCell) => `${row} ${column} ${way}`;

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
  takes: (element) => element.kind === "switch",
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
  plan(circuit, elements, places) {
    const builder = new PlanBuilder(circuit.id, places);
    const members = Object.entries(circuit.cells).flatMap(([id, cell]) => {
      const element = elements.get(id);
      return element && twoWayMatrix.takes(element) ? [{ element, cell }] : [];
    });
    builder.plan.groups = grouped(members.map((member) => addMember(builder, member)));
    builder.plan.reading.settles = builder.plan.groups.length;
    return builder.plan;
  },
  steps: () => [
    "Bend a diode at each switch; of two switches at one crossing the ring of one points to the row, of the other to the switch.",
    "Run the rows along the free ends of the diodes, then the columns insulated.",
    "Run one lead from each line to its pin: every line is driven and read in turn.",
  ],
};
