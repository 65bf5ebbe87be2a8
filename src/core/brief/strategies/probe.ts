import { kindNamed } from "../../catalogue/kinds";
import type { Control } from "../../catalogue/kinds";
import { type Circuit, circuitKindOf } from "../../circuits";
import type { BuiltCircuit } from "../../circuits/circuitKind";
import type { Net, NetRole, PlacedElement } from "../../circuits/net";
import { type PartCounts, sumParts } from "../../catalogue/prices";
import { type PinLot, type StrategyCost, noCost } from "./strategy";

/** So many controls of a kind, or elements of one sort of them, that a plan is tried on. */
export interface Probe {
  kind: Control["kind"];
  count: number;
  /** Which of the control's elements; all of them when left out. */
  end?: string;
  fields?: Partial<Control>;
}

const NOWHERE = { xMm: 0, yMm: 0, rotationDeg: 0, boardId: "probe" };

/** Elements as they would be on the mat, all at one place: a plan of a circuit does not look at places. */
export function probeElements(probes: Probe[]): Map<string, PlacedElement> {
  const elements = probes.flatMap(({ kind, count, end, fields }, sort) => {
    const maker = kindNamed(kind);
    return Array.from({ length: count }, (_, nth) => {
      const fresh = maker.fresh(`p${sort}-${nth}`, `P${nth}`, NOWHERE);
      const own = maker.elements({ ...fresh, ...fields } as Control);
      return end === undefined ? own : own.filter((element) => element.end === end);
    }).flat();
  });
  return new Map(elements.map((element) => [element.id, element]));
}

/** What the pins of a role are for, in the builder's words. */
const WORDS: Record<NetRole, string> = {
  row: "rows",
  column: "columns",
  switch: "switches",
  "quadrature-a": "encoder lines",
  "quadrature-b": "encoder lines",
  lamp: "lamps",
  analog: "voltages",
  output: "buzzers and motors",
  line: "lines, driven and read in turn",
  clock: "clock",
  latch: "latch",
  data: "data",
  select: "select lines",
  enable: "enable lines",
  interrupt: "interrupts",
  bus: "bus lines",
  bank: "ladder banks",
  chain: "chain",
  supply: "supply",
  ground: "ground",
};

/** Nets that circuits of one design share: a bus, and the select lines of multiplexers. */
const sharedName = ({ id, role }: Net) => (role === "bus" || role === "select" ? { shared: id } : {});

/** The pins that a circuit's nets need, alike ones together. */
function lotsOf(nets: Net[]): PinLot[] {
  const lots = new Map<string, PinLot>();
  for (const net of nets) {
    if (!net.need) continue;
    const lot = { what: WORDS[net.role], need: net.need, count: 0, ...sharedName(net) };
    const key = JSON.stringify([lot.what, lot.need, lot.shared]);
    const known = lots.get(key) ?? lot;
    lots.set(key, { ...known, count: known.count + 1 });
  }
  return [...lots.values()];
}

function partsOf(built: BuiltCircuit): { parts: PartCounts; shared: string[] } {
  const isShared = (id: string) => /^(i2c|spi)\d/.test(id);
  const added = [...built.inline, ...built.shunts.filter(({ id }) => !isShared(id))];
  const parts = sumParts([
    ...built.chips.map(({ part }) => ({ [part]: 1 })),
    ...added.map(({ sort }) => ({ [sort]: 1 })),
  ]);
  return { parts, shared: built.shunts.filter(({ id }) => isShared(id)).map(({ id }) => id) };
}

/**
 * What a circuit comes to, worked out by planning that very circuit: the brief cannot say anything else than the wiring.
 * @param circuit with its members among the elements
 * @param settleUs from driving a line to reading the others, in µs
 */
export function costOf(circuit: Circuit, elements: Map<string, PlacedElement>, settleUs: number): StrategyCost {
  const built = circuitKindOf(circuit).build(circuit, elements, {});
  const { parts, shared } = partsOf(built);
  return {
    ...noCost,
    pins: lotsOf(built.nets),
    parts,
    shared,
    readUs: built.reading.settles * settleUs + built.reading.fixedUs,
  };
}
