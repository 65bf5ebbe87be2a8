import { derive } from "../derived/derive";
import { boardWayOf } from "../document/buildSettings";
import { type Point, distanceMm } from "../geometry/point";
import { pinPlace } from "../pins/pinPlace";
import { type Assembled, type AssembledNet, type Bond } from "./assembled";
import { type Nearness, crossings } from "./crossings";
import { chipEndsOf } from "./deadChips";
import type { Fault } from "./fault";
import { PART_PRIORS, type Priors, priorsOf } from "./priors";

/** One way in which the device may be wrong, with how likely it is before anything was tested. */
export interface Suspect {
  id: string;
  fault: Fault;
  /** Not yet divided by the sum of all. */
  prior: number;
  /** As a colleague would name it: "the joint of R3 at K17 is open". */
  words: string;
  /** Where to look, and the controls it is about. */
  at: Point[];
  controlIds: string[];
  /** Nets whose readings it can change. */
  nets: string[];
}

/** Neighbouring joints and pads between which solder may run, in mm: pads lie a tenth of an inch apart (IEC 60297). */
const NEIGHBOUR_MM = 3;
/** Pads whose leads are easily taken for each other. */
const SWAP_MM = 5.2;

/** Every single fault there may be in a device, each with its prior. */
export const suspectsOf = (assembled: Assembled): Suspect[] =>
  derive(assembled.design).once("suspects", () => [
    ...bondSuspects(assembled),
    ...shortSuspects(assembled),
    ...leadSuspects(assembled),
    ...elementSuspects(assembled),
  ]);

const priorsAt = ({ design }: Assembled, boardId: string): Priors => priorsOf(boardWayOf(design, boardId).way);

/** What hangs on an input that nobody uses can be open without anything to be seen. */
function bondSuspects(assembled: Assembled): Suspect[] {
  const spare = new Set(chipEndsOf(assembled).flatMap((ends) => ends.spare));
  const idle = new Set(
    [...assembled.nets.values()].flatMap(({ places }) =>
      [...places.values()].flatMap(({ contactId, own }) => (spare.has(contactId) ? own.map(({ id }) => id) : [])),
    ),
  );
  return [...assembled.bonds.values()].flatMap((bond) => {
    if (idle.has(bond.id) || isStump(assembled.nets.get(bond.netId)!)) return [];
    const priors = priorsAt(assembled, bond.boardId);
    const suspect = (fault: Fault, prior: number, words: string): Suspect => ({
      id: `${fault.kind} ${bond.id}`,
      fault,
      prior,
      words,
      at: bond.sort === "wire" || bond.sort === "track" ? [bond.aAt, bond.bAt] : [bond.aAt],
      controlIds: bond.controlId === null ? [] : [bond.controlId],
      nets: [bond.netId],
    });
    return told(bond, priors).map(([kind, prior, words]) => suspect({ kind, bond: bond.id }, prior, words));
  });
}

/** A net of one contact that leads nowhere: the end of a chain. */
const isStump = ({ places, pad }: AssembledNet): boolean => places.size < 2 && pad === null;

type BondFault = [kind: "open" | "cold" | "reversed" | "bridged", prior: number, words: string];

function told(bond: Bond, priors: Priors): BondFault[] {
  const { sort, words, controlId, aAt, bAt } = bond;
  if (sort === "joint")
    return controlId === null
      ? [
          ["open", priors.padOpen, `${words} is open`],
          ["cold", priors.padCold, `${words} is cold`],
        ]
      : [
          ["open", priors.jointOpen, `${words} is open`],
          ["cold", priors.jointCold, `${words} is cold`],
        ];
  if (sort === "wire" || sort === "track")
    return [["open", priors.wireOpen + (priors.wireOpenPerM * distanceMm(aAt, bAt)) / 1000, `${words} is broken`]];
  if (sort === "pin") return [["open", PART_PRIORS.deadPin, `${words} is dead`]];
  if (sort === "resistor") return [["open", priors.diodeMissing, `${words} is missing`]];
  return [
    ["open", priors.diodeMissing, `${words} is missing or burnt through`],
    ["reversed", priors.diodeReversed, `${words} is the wrong way round`],
    ["bridged", priors.diodeBridged, `${words} conducts both ways`],
  ];
}

/** One suspect for each pair of nets, however many places there are where they may touch. */
function shortSuspects(assembled: Assembled): Suspect[] {
  const pairs = new Map<string, { a: AssembledNet; b: AssembledNet; prior: number; at: Point[] }>();
  const add = (a: AssembledNet, b: AssembledNet, prior: number, at: Point) => {
    const key = [a.net.id, b.net.id].sort().join(" | ");
    const pair = pairs.get(key) ?? { a, b, prior: 0, at: [] };
    pair.prior += prior;
    pair.at.push(at);
    pairs.set(key, pair);
  };
  for (const { a, b, at, sort, boardId } of [...neighbours(assembled), ...crossings(assembled)]) {
    const priors = priorsAt(assembled, boardId);
    add(a, b, sort === "crossing" ? priors.crossingShort : priors.neighbourShort, at);
  }
  return [...pairs.values()].map(({ a, b, prior, at }) => ({
    id: `short ${a.net.id} | ${b.net.id}`,
    fault: { kind: "short", netA: a.net.id, netB: b.net.id },
    prior,
    words: `${a.net.flag} and ${b.net.flag} touch${at.length > 1 ? ` at one of ${at.length} places` : ""}`,
    at,
    controlIds: [],
    nets: [a.net.id, b.net.id],
  }));
}

/** Pads side by side, and joints of parts that lie close. */
function neighbours(assembled: Assembled): Nearness[] {
  const { controls } = derive(assembled.design);
  const first = assembled.design.boards[0].id;
  const metal = [...assembled.nets.values()].flatMap((net) => [
    ...(net.pad ? [{ net, at: net.pad.at, boardId: padBoard(assembled, net) }] : []),
    ...[...net.places.values()].map(({ at, ownerId }) => ({
      net,
      at,
      boardId: controls.get(ownerId)?.placement.boardId ?? first,
    })),
  ]);
  metal.sort((one, other) => one.at.xMm - other.at.xMm);
  const near: Nearness[] = [];
  metal.forEach((one, nth) => {
    for (let next = nth + 1; next < metal.length; next++) {
      const other = metal[next];
      if (other.at.xMm - one.at.xMm > NEIGHBOUR_MM) break;
      if (one.net === other.net || one.boardId !== other.boardId) continue;
      if (distanceMm(one.at, other.at) <= NEIGHBOUR_MM)
        near.push({ a: one.net, b: other.net, at: one.at, sort: "neighbour", boardId: one.boardId });
    }
  });
  return near;
}

const padBoard = ({ design }: Assembled, { net }: AssembledNet): string =>
  design.controllers.find(({ id }) => id === net.controllerId)?.placement.boardId ?? design.boards[0].id;

/** Leads on each other's pads, and leads on a pad beside their own that is free. */
function leadSuspects(assembled: Assembled): Suspect[] {
  const leads = [...assembled.nets.values()].filter(({ net, pad }) => pad && net.need);
  const used = new Set(leads.map(({ pad }) => pad!.node));
  return leads.flatMap((one, nth) => {
    const priors = priorsAt(assembled, padBoard(assembled, one));
    const swaps = leads
      .slice(nth + 1)
      .filter((other) => isMistaken(one, other))
      .map((other): Suspect => ({
        id: `swapped ${one.net.id} | ${other.net.id}`,
        fault: { kind: "swapped", netA: one.net.id, netB: other.net.id },
        prior: priors.swapped,
        words: `${one.net.flag} and ${other.net.flag} are swapped at the controller`,
        at: [one.pad!.at, other.pad!.at],
        controlIds: [],
        nets: [one.net.id, other.net.id],
      }));
    const free = freePads(assembled, one).filter(({ node }) => !used.has(node));
    const strays = free.map(({ node, at }): Suspect => ({
      id: `misplaced ${one.net.id} | ${node}`,
      fault: { kind: "misplaced", net: one.net.id, pad: node },
      prior: priors.misplaced,
      words: `${one.net.flag} is on ${node} instead of ${one.pad!.node}`,
      at: [at],
      controlIds: [],
      nets: [one.net.id],
    }));
    return [...swaps, ...strays];
  });
}

/** Lines of one sort that lie side by side, and any two leads whose pads are neighbours. */
function isMistaken(one: AssembledNet, other: AssembledNet): boolean {
  if (one.net.controllerId !== other.net.controllerId || one.net.busId !== other.net.busId) return false;
  if (distanceMm(one.pad!.at, other.pad!.at) <= SWAP_MM / 2 + 0.1) return true;
  const lines = one.net.role === other.net.role && (one.net.role === "row" || one.net.role === "column");
  return lines && Math.abs(lineNumber(one.net.flag) - lineNumber(other.net.flag)) === 1;
}

const lineNumber = (flag: string): number => Number(/\d+$/.exec(flag)?.[0] ?? NaN);

/** Free pads beside a net's own. */
function freePads({ design }: Assembled, { net, pad }: AssembledNet) {
  const placed = derive(design).controllers.find(({ controller }) => controller.id === net.controllerId);
  if (!placed?.profile || !pad) return [];
  return placed.profile.pins
    .map((pin) => ({ name: pin.name, role: pin.role, at: pinPlace(placed.controller, pin) }))
    .filter(({ role, at }) => role === "io" && distanceMm(at, pad.at) <= SWAP_MM / 2 + 0.1)
    .map(({ name, at }) => ({ node: pad.node.replace(/^pin [^@]*/, () => `pin ${name}`), at }))
    .filter(({ node }) => node !== pad.node);
}

/** What can be wrong with parts themselves. */
function elementSuspects(assembled: Assembled): Suspect[] {
  const { elements, circuitsOf, builtCircuits } = derive(assembled.design);
  const suspects: Suspect[] = [];
  const add = (elementId: string, fault: Fault, prior: number, words: string) => {
    const element = elements.get(elementId)!;
    suspects.push({
      id: `${fault.kind} ${"contact" in fault ? fault.contact : elementId}`,
      fault,
      prior,
      words,
      at: [middle(element.contacts.map(({ at }) => at))],
      controlIds: [element.controlId],
      nets: (assembled.contactsOf.get(elementId) ?? []).map(({ netId }) => netId),
    });
  };
  for (const { id, kind, label } of elements.values()) {
    if (!circuitsOf.has(id)) continue;
    if (kind === "switch") {
      add(id, { kind: "stuck", contact: id }, PART_PRIORS.stuck, `${label} is stuck closed`);
      add(id, { kind: "bounce", elementId: id }, PART_PRIORS.bounce, `${label} bounces longer than the firmware waits`);
    } else if (kind === "quadrature") {
      for (const end of ["A", "B"])
        add(
          id,
          { kind: "stuck", contact: `${id}/${end}` },
          PART_PRIORS.stuck,
          `${label}: contact ${end} is stuck closed`,
        );
      add(id, { kind: "other-part", elementId: id }, PART_PRIORS.otherPart, `${label} is a knob of another sort`);
    } else if (kind !== "analog") {
      add(id, { kind: "dark", elementId: id }, PART_PRIORS.dark, `${label} itself is dead`);
      if (kind === "lamp" || kind === "output")
        add(id, { kind: "turned", elementId: id }, PART_PRIORS.turned, `${label} is the wrong way round`);
    }
  }
  if (assembled.design.controllers.length > 0)
    suspects.push({
      id: "dead",
      fault: { kind: "dead" },
      prior: PART_PRIORS.deadController,
      words: "the controller itself is dead",
      at: assembled.design.controllers.slice(0, 1).map(({ placement }) => placement),
      controlIds: [],
      nets: [],
    });
  if (builtCircuits.some(({ chains }) => chains.length > 0))
    suspects.push({
      id: "dip",
      fault: { kind: "dip" },
      prior: PART_PRIORS.dip,
      words: "the supply dips when all lights are on",
      at: [],
      controlIds: [],
      nets: [],
    });
  return suspects;
}

const middle = (places: Point[]): Point => ({
  xMm: places.reduce((sum, { xMm }) => sum + xMm, 0) / Math.max(1, places.length),
  yMm: places.reduce((sum, { yMm }) => sum + yMm, 0) / Math.max(1, places.length),
});
