import { type Circuit, circuitKindNamed, circuitKindOf } from "../circuits";
import type { Charlieplex, LinePair } from "../circuits/charlieplex";
import { direct } from "../circuits/direct";
import type { TwoWayCell, TwoWayMatrix } from "../circuits/twoWayMatrix";
import { type Cell, type MatrixCircuit, matrix } from "../circuits/matrix";
import { orderByPlace } from "../circuits/placeOrder";
import { present } from "../circuits/circuitBuilder";
import { endCount } from "../circuits/readEnds";
import type { MatrixAnswer } from "../matrix/planMatrix";
import { derive } from "../derived/derive";
import { standardLoop } from "../electrics/musicLoop";
import type { Design } from "../document/schema";
import { matrixOfElement } from "../matrix/matrixOfElement";
import { tidyPins } from "./tidyPins";

const withCircuit = (design: Design, circuit: Circuit): Design => ({
  ...design,
  circuits: design.circuits.some((c) => c.id === circuit.id)
    ? design.circuits.map((c) => (c.id === circuit.id ? circuit : c))
    : [...design.circuits, circuit],
});

const isEmpty = (circuit: Circuit) => circuitKindOf(circuit).members(circuit).length === 0;

/** Takes elements out of every circuit. Pins keep their nets: what is wired anew next may have the same ones. */
function withoutMembers(design: Design, elementIds: string[]): Design {
  const circuits = design.circuits.map((circuit) =>
    elementIds.reduce((left, id) => circuitKindOf(left).without(left, id), circuit),
  );
  return { ...design, circuits: circuits.filter((circuit) => !isEmpty(circuit)) };
}

/** Takes elements out of every circuit; circuits left with nothing go. */
export const unwire = (design: Design, elementIds: string[]): Design => tidyPins(withoutMembers(design, elementIds));

/** Which of these elements a kind of circuit can hold. */
function takenBy(design: Design, kind: Circuit["kind"], elementIds: string[]): string[] {
  const { elements } = derive(design);
  return elementIds.filter((id) => elements.has(id) && circuitKindNamed(kind).accepts(elements.get(id)!));
}

/** A circuit of a kind with nothing in it, with an id and a name that are free. */
function freshCircuit(design: Design, kind: Circuit["kind"]): Circuit {
  const { stem, title, fresh } = circuitKindNamed(kind);
  const taken = new Set(design.circuits.map(({ id }) => id));
  let number = 1;
  const id = () => (number === 1 ? stem : `${stem}-${number}`);
  while (taken.has(id())) number += 1;
  return fresh(id(), number === 1 ? title : `${title} ${number}`);
}

/** Moves elements into a circuit that is there; what it cannot hold, or holds already, stays as it was. */
export function wireInto(design: Design, circuitId: string, elementIds: string[]): Design {
  const circuit = design.circuits.find(({ id }) => id === circuitId);
  if (!circuit) return design;
  const held = new Set(circuitKindOf(circuit).members(circuit));
  const ids = takenBy(design, circuit.kind, elementIds).filter((id) => !held.has(id));
  if (ids.length === 0) return design;
  const cleared = withoutMembers(design, ids);
  return tidyPins(withCircuit(cleared, circuitKindOf(circuit).with(circuit, ids)));
}

/** Moves elements into a new circuit of a kind; what it cannot hold stays as it was. */
export function wireNew(design: Design, kind: Circuit["kind"], elementIds: string[]): Design {
  const ids = takenBy(design, kind, elementIds);
  if (ids.length === 0) return design;
  const cleared = withoutMembers(design, ids);
  return tidyPins(withCircuit(cleared, circuitKindNamed(kind).with(freshCircuit(cleared, kind), ids)));
}

/** Moves elements into the first circuit of a kind, which is made when there is none. */
export function wireAs(design: Design, kind: Circuit["kind"], elementIds: string[]): Design {
  const first = design.circuits.find((circuit) => circuit.kind === kind);
  return first ? wireInto(design, first.id, elementIds) : wireNew(design, kind, elementIds);
}

/** Wires elements one pin an end; what cannot be wired so (bus devices, light chains) stays as it was. */
export const wireDirect = (design: Design, elementIds: string[]): Design => wireAs(design, "direct", elementIds);

/** Changes what a circuit is set to; its id and kind stay. */
export function changeCircuit<C extends Circuit>(design: Design, circuitId: string, change: Partial<C>): Design {
  const circuit = design.circuits.find(({ id }) => id === circuitId);
  if (!circuit) return design;
  return tidyPins(withCircuit(design, { ...circuit, ...change, id: circuit.id, kind: circuit.kind } as Circuit));
}

/** Moves a member of a listed circuit to another place in its order. */
export function moveMember(design: Design, circuitId: string, elementId: string, to: number): Design {
  const circuit = design.circuits.find(({ id }) => id === circuitId);
  if (!circuit || !("members" in circuit)) return design;
  const others = circuit.members.filter((id) => id !== elementId);
  const at = Math.max(0, Math.min(others.length, to));
  const members = [...others.slice(0, at), elementId, ...others.slice(at)];
  return changeCircuit(design, circuitId, { members } as Partial<Circuit>);
}

/** Orders the members of a circuit so that those of one added part lie together and round it. */
export function orderMembers(design: Design, circuitId: string): Design {
  const circuit = design.circuits.find(({ id }) => id === circuitId);
  const capacity = circuit && circuitKindOf(circuit).partLines?.(circuit);
  if (!circuit || !capacity || !("members" in circuit)) return design;
  const { elements } = derive(design);
  const members = present(circuit.members, elements);
  // Voltages have multiplexers of their own, so they are ordered by themselves.
  const [levels, voltages] = [false, true].map((isVoltage) =>
    orderByPlace(
      members.filter(({ kind }) => (kind === "analog") === isVoltage),
      capacity,
      endCount,
    ),
  );
  return changeCircuit(design, circuitId, { members: [...levels, ...voltages] } as Partial<Circuit>);
}

/** Puts a switch into one cell of its matrix (or of the first one), taking it out of wherever it was. */
export function setCell(design: Design, elementId: string, cell: Cell): Design {
  const before = matrixOfElement(design, elementId);
  const isIn = before !== undefined && elementId in before.cells;
  const cleared = isIn ? design : withoutMembers(design, [elementId]);
  const current = matrixOfElement(cleared, elementId) ?? matrix.fresh("matrix", "Matrix");
  return tidyPins(withCircuit(cleared, { ...current, cells: { ...current.cells, [elementId]: cell } }));
}

/** Puts a switch into another place of a two-way matrix; what is there takes its old one. */
export function setTwoWayCell(design: Design, circuitId: string, elementId: string, cell: TwoWayCell): Design {
  const circuit = design.circuits.find((c): c is TwoWayMatrix => c.id === circuitId && c.kind === "two-way-matrix");
  const before = circuit?.cells[elementId];
  if (!circuit || !before) return design;
  const same = (one: TwoWayCell) =>
    one.row === cell.row && one.column === cell.column && one.direction === cell.direction;
  const there = Object.keys(circuit.cells).find((id) => id !== elementId && same(circuit.cells[id]));
  const cells = { ...circuit.cells, [elementId]: cell, ...(there ? { [there]: before } : {}) };
  return changeCircuit<TwoWayMatrix>(design, circuitId, { cells });
}

/** Puts a lamp between another pair of lines; the lamp that is there takes its old pair. */
export function setLinePair(design: Design, circuitId: string, elementId: string, pair: LinePair): Design {
  const circuit = design.circuits.find((c): c is Charlieplex => c.id === circuitId && c.kind === "charlieplex");
  const before = circuit?.pairs[elementId];
  if (!circuit || !before || pair.from === pair.to) return design;
  const same = (one: LinePair) => one.from === pair.from && one.to === pair.to;
  const there = Object.keys(circuit.pairs).find((id) => id !== elementId && same(circuit.pairs[id]));
  const pairs = { ...circuit.pairs, [elementId]: pair, ...(there ? { [there]: before } : {}) };
  return changeCircuit<Charlieplex>(design, circuitId, { pairs });
}

/** Takes planned cells: each answer becomes a matrix of its own, and matrices left with nothing go. */
export function adoptMatrixCells(design: Design, answers: MatrixAnswer[]): Design {
  const settings = matrixOfElement(design) ?? matrix.fresh("matrix", "Matrix");
  const all = design.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
  const among = (list: (circuit: MatrixCircuit) => string[], cells: object) =>
    all.flatMap(list).filter((id) => id in cells);
  const planned = answers.map(({ circuitId, name, cells }): MatrixCircuit => ({
    ...settings,
    id: circuitId,
    name,
    cells,
    withoutDiode: among((c) => c.withoutDiode, cells),
    reversed: among((c) => c.reversed, cells),
    locked: among((c) => c.locked, cells),
    chords: all.flatMap(({ chords }) => chords).filter((chord) => chord.every((id) => id in cells)),
  }));
  const ids = new Set(planned.flatMap(({ cells }) => Object.keys(cells)));
  const cleared = withoutMembers(design, [...ids]);
  return tidyPins(planned.reduce(withCircuit, cleared));
}

/** Bus devices, chains of lights and segment displays have one sensible circuit each. */
export const OWN_CIRCUITS: Circuit["kind"][] = [
  "light-chain",
  "bus-displays",
  "segment-chain",
  "spi-radio",
  "pad-port",
  "music-out",
];

/** Resistors of sockets as the standard names them for the controller's voltage. */
export function fitSockets(design: Design): Design {
  const { profile } = derive(design);
  const fitted = standardLoop(profile?.logicV ?? 5);
  const circuits = design.circuits.map((one) => (one.kind === "music-out" ? { ...one, ...fitted } : one));
  return { ...design, circuits };
}

/** Wires elements as they usually are: what a pin can serve direct, the rest in the circuit of its own sort. */
export function wireAsUsual(design: Design, ids: string[]): Design {
  const { elements } = derive(design);
  const isDirect = (id: string) => direct.accepts(elements.get(id)!);
  const others = ids.filter((id) => !isDirect(id));
  const own = OWN_CIRCUITS.reduce((d, kind) => wireAs(d, kind, others), design);
  const hadSocket = design.circuits.some(({ kind }) => kind === "music-out");
  return wireDirect(hadSocket ? own : fitSockets(own), ids.filter(isDirect));
}

/** What no circuit holds and a pin can serve is wired direct. */
export function restDirect(design: Design): Design {
  const { elements, circuitsOf } = derive(design);
  const loose = [...elements.values()].filter((element) => !circuitsOf.has(element.id) && direct.accepts(element));
  return wireDirect(
    design,
    loose.map(({ id }) => id),
  );
}

/** Every element on its own pins. */
export const shareOutDirect = (design: Design): Design => wireDirect(design, [...derive(design).elements.keys()]);
