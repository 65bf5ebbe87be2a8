import type { MatrixCircuit } from "@/core/circuits/matrix";
import type { Fault } from "@/core/bringup/fault";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { type Wire, isPad, wiresOf } from "@/core/wires/wires";

/** A conducting piece of a built matrix; `oneWay` lets current from a to b only. */
export interface Piece {
  id: string;
  a: string;
  b: string;
  oneWay?: boolean;
  ohm: number;
}

/** Resistance of copper at 20 °C: 17.24 mΩ for a metre of a square millimetre (IEC 60028). */
const wireOhm = ({ straightMm, mm2 }: Wire) => (0.01724 * straightMm) / 1000 / mm2;

/**
 * A built matrix as pieces of metal, put together here from its wire list and its cells, by nothing of what the program finds
 * faults with. Each switch is told by two lines.
 */
export function piecesOf(design: Design): { pieces: Piece[]; pads: Map<string, string> } {
  const { nets } = derive(design);
  const circuit = design.circuits.find((one): one is MatrixCircuit => one.kind === "matrix")!;
  const pieces: Piece[] = [];
  const pads = new Map<string, string>();
  for (const net of nets)
    for (const { contactId, elementId } of net.joints) {
      const lump = `${net.id}|${contactId}`;
      const isRow = net.role === "row";
      if (!isRow || circuit.diodes === "none") {
        pieces.push({ id: `${lump}|joint`, a: contactId, b: lump, ohm: 0.02 });
        continue;
      }
      const [near, far] = [`${lump}|near`, `${lump}|far`];
      pieces.push({ id: `${lump}|near joint`, a: contactId, b: near, ohm: 0.02 });
      // From column to row the current leaves the switch through the diode.
      const leaves = (circuit.diodes === "column-to-row") !== circuit.reversed.includes(elementId);
      pieces.push({ id: `${lump}|diode`, a: leaves ? near : far, b: leaves ? far : near, oneWay: true, ohm: 0 });
      pieces.push({ id: `${lump}|far joint`, a: far, b: lump, ohm: 0.02 });
    }
  for (const wire of wiresOf(design)) {
    const [a, b] = [wire.from, wire.to].map(({ id }) => `${wire.netId}|${id}`);
    pieces.push({ id: `${wire.key}|wire`, a, b, ohm: wireOhm(wire) });
    for (const { id } of [wire.from, wire.to].filter(isPad)) {
      pieces.push({ id: `${wire.netId}|${id}|joint`, a: `${wire.netId}|${id}`, b: id, ohm: 0.02 });
      pads.set(wire.netId, id);
    }
  }
  return { pieces, pads };
}

/** The pieces as a fault leaves them, with the way from each pad into the chip. */
export function faultyPieces(design: Design, fault: Fault | null): { pieces: Piece[]; inside: Map<string, string> } {
  const { pieces: sound, pads } = piecesOf(design);
  const inside = new Map([...pads].map(([net, pad]) => [net, `inside ${pad}`]));
  let pieces = [
    ...sound,
    ...[...pads].map(([net, pad]) => ({ id: `${net}|${pad}|pin`, a: pad, b: `inside ${pad}`, ohm: 0 })),
  ];
  const touch = (a: string, b: string) => pieces.push({ id: "touch", a, b, ohm: 0.1 });
  if (fault?.kind === "open") pieces = pieces.filter(({ id }) => id !== fault.bond);
  if (fault?.kind === "bridged")
    pieces = pieces.map((one) => (one.id === fault.bond ? { ...one, oneWay: false, ohm: 0.1 } : one));
  if (fault?.kind === "reversed")
    pieces = pieces.map((one) => (one.id === fault.bond ? { ...one, a: one.b, b: one.a } : one));
  if (fault?.kind === "short") touch(pads.get(fault.netA)!, pads.get(fault.netB)!);
  if (fault?.kind === "misplaced")
    pieces = pieces.filter(({ id }) => id !== `${fault.net}|${pads.get(fault.net)}|joint`);
  if (fault?.kind === "swapped") {
    const [one, other] = [pads.get(fault.netA)!, pads.get(fault.netB)!];
    pieces = pieces.map((piece) => {
      if (piece.id === `${fault.netA}|${one}|joint`) return { ...piece, b: other };
      return piece.id === `${fault.netB}|${other}|joint` ? { ...piece, b: one } : piece;
    });
  }
  if (fault?.kind === "stuck") pieces.push(switchPiece(design, fault.contact));
  return { pieces, inside };
}

/** The closed contact of a switch. */
export function switchPiece(design: Design, elementId: string): Piece {
  const [a, b] = derive(design).elements.get(elementId)!.contacts;
  return { id: `closed ${elementId}`, a: a.id, b: b.id, ohm: 0.1 };
}

/** Switches that a scan tells: with one line of its cell driven low, current from the other finds its way there. */
export function scanned(design: Design, fault: Fault | null, held: string[]): Set<string> {
  const { pieces, inside } = faultyPieces(design, fault);
  const all = [...pieces, ...held.map((id) => switchPiece(design, id))];
  const circuit = design.circuits.find((one): one is MatrixCircuit => one.kind === "matrix")!;
  const told = new Set<string>();
  for (const [id, { row, column }] of Object.entries(circuit.cells)) {
    const [r, c] = [inside.get(`${circuit.id}.R${row + 1}`), inside.get(`${circuit.id}.C${column + 1}`)];
    if (!r || !c) continue;
    const [sense, driven] = circuit.diodes === "row-to-column" ? [r, c] : [c, r];
    if (flows(all, sense, driven)) told.add(id);
  }
  return told;
}

function flows(pieces: Piece[], from: string, to: string): boolean {
  const reached = new Set([from]);
  for (let size = 0; size !== reached.size;) {
    size = reached.size;
    for (const { a, b, oneWay } of pieces) {
      if (reached.has(a)) reached.add(b);
      if (!oneWay && reached.has(b)) reached.add(a);
    }
  }
  return reached.has(to);
}
