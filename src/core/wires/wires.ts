import type { Chip } from "../circuits/chip";
import type { Shunt } from "../circuits/circuitKind";
import { type Net, type Joint, ownNet } from "../circuits/net";
import { type Derived, derive } from "../derived/derive";
import { linkEndId } from "../derived/linkEnds";
import type { Design } from "../document/schema";
import { type Point, distanceMm } from "../geometry/point";
import { treeOfPlaces } from "../optimisation/spanningTree";
import { fedAgain, supplyRoot } from "./supplyRoot";
import { pinPlace } from "../pins/pinPlace";

/** The order of the work: rows first, then what crosses them, then what leads away. */
export const phases = ["rows", "columns", "branches", "supply", "leads", "links"] as const;
export type Phase = (typeof phases)[number];

export interface WireEnd {
  /** Contact, terminal or pin, once in the whole design. */
  id: string;
  /** For a person: "K4 contact 1", "MUX U2 Y3", "pin P5". */
  name: string;
  at: Point;
  /** Board that carries it. */
  boardId: string;
}

/** One wire to cut and to solder: from one place to the next of the same net. */
export interface Wire {
  key: string;
  netId: string;
  net: string;
  phase: Phase;
  from: WireEnd;
  to: WireEnd;
  straightMm: number;
  /** With the allowance at both ends and for bends, in whole steps. */
  cutMm: number;
  colour: string;
  mm2: number;
}

const isPower = (net: Net) => net.role === "ground" || net.role === "supply";

function phaseOf(net: Net, from: WireEnd, to: WireEnd): Phase {
  if (from.boardId !== to.boardId) return "links";
  if (isPower(net)) return "supply";
  if (isPad(to)) return "leads";
  if (net.role === "row") return "rows";
  return net.role === "column" ? "columns" : "branches";
}

/** Colour words of IEC 60757 in the order of a bundle; black is kept for ground, red for the supply. */
const COLOURS = ["white", "yellow", "green", "blue", "brown", "orange", "violet", "grey"];

function colourOf(net: Net, nth: number): string {
  if (net.role === "ground") return "black";
  return net.role === "supply" ? "red" : COLOURS[nth % COLOURS.length];
}

/** A bare number would read as part of the label. */
const contactWords = (contact: string) => (/^\d/.test(contact) ? `contact ${contact}` : contact);

/** What an added part is called in lists and on drawings: "MUX U2". */
export const chipWords = ({ id }: Pick<Chip, "id">): string => id.replace(".", " ").toUpperCase();

function jointEnd(joint: Joint, derived: Derived): WireEnd {
  const { controls, chipById, shuntById, design } = derived;
  const end = joint.contactId.slice(joint.contactId.lastIndexOf(".") + 1);
  const control = controls.get(joint.controlId);
  if (control) return endAt(joint, `${control.label} ${contactWords(end)}`, control.placement.boardId);
  const shunt = shuntById.get(joint.controlId);
  const boardId = boardOfAdded(joint.controlId, design);
  if (shunt) return endAt(joint, `${shunt.sort} ${shunt.value}, ${shuntEndWords(shunt, end)}`, boardId);
  const chip = chipById.get(joint.controlId);
  return endAt(joint, `${chip ? chipWords(chip) : joint.controlId} ${contactWords(end)}`, boardId);
}

const endAt = ({ contactId, at }: Joint, name: string, boardId: string): WireEnd => ({
  id: contactId,
  name,
  at,
  boardId,
});

const shuntEndWords = ({ sort }: Shunt, end: string) =>
  sort === "diode" ? (end === "1" ? "anode" : "ring") : `end ${end}`;

/** An added part lies on the board of what it serves most; while nothing says otherwise, on the first one. */
export const boardOfAdded = (chipId: string, design: Design): string =>
  derive(design)
    .once("boards of added parts", () => boardsOfAdded(derive(design)))
    .get(chipId) ?? design.boards[0].id;

/** By added part: the board with the most contacts that its signals lead to. */
function boardsOfAdded({ nets, controls, linkEnds }: Derived): Map<string, string> {
  const counts = new Map<string, Map<string, number>>();
  for (const { role, joints } of nets) {
    if (role === "ground" || role === "supply") continue;
    const boards = joints.flatMap(({ controlId }) => controls.get(controlId)?.placement.boardId ?? []);
    for (const id of new Set(joints.map(({ controlId }) => controlId))) {
      if (controls.has(id)) continue;
      const count = counts.get(id) ?? new Map<string, number>();
      for (const board of boards) count.set(board, (count.get(board) ?? 0) + 1);
      counts.set(id, count);
    }
  }
  const most = (count: Map<string, number>) => [...count].sort((a, b) => b[1] - a[1])[0]?.[0];
  const ends = linkEnds.map(({ link, end, controller }) => [
    `${linkEndId(link, end)}.J1`,
    controller.placement.boardId,
  ]);
  const served = [...counts].flatMap(([id, count]) => (count.size > 0 ? [[id, most(count)] as const] : []));
  return new Map<string, string>([...served, ...(ends as [string, string][])]);
}

/** Whether an end of a wire is a pad of the controller. */
export const isPad = ({ id }: WireEnd): boolean => id.startsWith("pin ");

/** Where a net meets the controller: its pin, or a pad of the module for supply and ground. */
function pinEnd(net: Net, design: Design, derived: Derived): WireEnd | null {
  const { controller, profile } = derived.controllerOf(net) ?? {};
  if (!controller || !profile) return null;
  const isMain = controller === derived.controller;
  const name = Object.hasOwn(design.pinPlan, net.id) ? design.pinPlan[net.id].pin : undefined;
  const [pin] =
    net.role === "supply"
      ? derived.padsOf(net.id, profile)
      : profile.pins.filter((pad) =>
          net.role === "ground" ? pad.role === "ground" : pad.name === name && pad.role === "io",
        );
  if (!pin) return null;
  return {
    id: isMain ? `pin ${pin.name}` : `pin ${ownNet(pin.name, controller.id)}`,
    name: isMain ? `pin ${pin.name}` : `pin ${pin.name} of controller ${1 + design.controllers.indexOf(controller)}`,
    at: pinPlace(controller, pin),
    boardId: controller.placement.boardId,
  };
}

/** Straight lengths become lengths to cut. */
export function cutLengthMm(straightMm: number, { endMm, slackPercent, stepMm }: Design["wires"]): number {
  const whole = straightMm * (1 + slackPercent / 100) + 2 * endMm;
  return Math.max(0, Math.ceil(whole / stepMm - 1e-9)) * stepMm;
}

function wireBetween(net: Net, nth: number, from: WireEnd, to: WireEnd, design: Design): Wire {
  const straightMm = distanceMm(from.at, to.at);
  const { signalMm2, supplyMm2 } = design.wires;
  return {
    key: `${net.id}|${from.id}|${to.id}`,
    netId: net.id,
    net: net.flag,
    phase: phaseOf(net, from, to),
    from,
    to,
    straightMm,
    cutMm: cutLengthMm(straightMm, design.wires),
    colour: colourOf(net, nth),
    mm2: isPower(net) ? supplyMm2 : signalMm2,
  };
}

/** Along a line the ends are told from left to right, or from top to bottom. */
function inOrder(net: Net, a: WireEnd, b: WireEnd): [WireEnd, WireEnd] {
  const axis = net.role === "column" ? "yMm" : "xMm";
  return a.at[axis] <= b.at[axis] ? [a, b] : [b, a];
}

/** A contact that two circuits have on one net is one place. */
const distinctEnds = (ends: WireEnd[]): WireEnd[] => [...new Map(ends.map((end) => [end.id, end])).values()];

/** The shortest tree over a net's contacts, and a lead from the nearest of them to the controller. */
function wiresOfNet(net: Net, nth: number, design: Design, derived: Derived): Wire[] {
  const ends = distinctEnds(net.joints.map((joint) => jointEnd(joint, derived)));
  const wires = treeOfPlaces(ends.map(({ at }) => at)).map(({ a, b }) =>
    wireBetween(net, nth, ...inOrder(net, ends[a], ends[b]), design),
  );
  const pin = pinEnd(net, design, derived);
  wires.push(...wiresFedAgain(net, nth, ends, pin, derived));
  if (!pin || ends.length === 0) return wires.filter(isWire);
  const nearest = ends.reduce((a, b) => (distanceMm(b.at, pin.at) < distanceMm(a.at, pin.at) ? b : a));
  return [...wires, wireBetween(net, nth, nearest, pin, design)].filter(isWire);
}

/** Lights at which a long chain is fed once more have wires of their own from where the net begins. */
function wiresFedAgain(net: Net, nth: number, ends: WireEnd[], pin: WireEnd | null, derived: Derived): Wire[] {
  const again = new Set(fedAgain(net, derived));
  if (again.size === 0) return [];
  const rootId = supplyRoot(
    net,
    ends.map(({ id }) => id),
  );
  const root = pin ?? ends.find(({ id }) => id === rootId);
  if (!root) return [];
  return ends
    .filter(({ id }) => again.has(id) && id !== root.id)
    .map((end) => wireBetween(net, nth, end, root, derived.design));
}

/** A resistor at a contact is soldered to it by its own lead: nothing to cut. */
const OWN_LEAD_MM = 0.5;
const isWire = ({ straightMm }: Wire) => straightMm > OWN_LEAD_MM;

const PHASE_ORDER = Object.fromEntries(phases.map((phase, nth) => [phase, nth])) as Record<Phase, number>;

const byPlace = (a: Wire, b: Wire) =>
  PHASE_ORDER[a.phase] - PHASE_ORDER[b.phase] || (a.netId === b.netId ? placeOrder(a, b) : 0);

const placeOrder = (a: Wire, b: Wire) =>
  a.phase === "columns" ? a.from.at.yMm - b.from.at.yMm : a.from.at.xMm - b.from.at.xMm;

/** Every wire of a design in the order of the work: rows, columns, branches, supply, leads, links. */
export function wiresOf(design: Design): Wire[] {
  const derived = derive(design);
  return derived.once("wires", () =>
    derived.nets.flatMap((net, nth) => wiresOfNet(net, nth, design, derived)).sort(byPlace),
  );
}
