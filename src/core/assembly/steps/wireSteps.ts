import type { Wire, WireEnd } from "../../wires/wires";
import { isPad } from "../../wires/wires";
import { cutList, metresOf } from "../../wires/cutList";
import { inlineKey } from "../../wires/partNames";
import { counted, listed } from "../../words";
import { bareOf } from "./plateSteps";
import { type Bench, controllerName, fitted, isMade, joinedTo, onBoard, step } from "../bench";
import type { Reach, Step, Want } from "../step";

/** What an end of a wire is soldered to, by its name in the netlist, and what stands in its lead. */
function ownersOf({ derived, design, names }: Bench): Map<string, string> {
  const owners = new Map<string, string>();
  for (const element of derived.elements.values())
    for (const { id } of element.contacts) owners.set(id, names.controls.get(element.controlId)!);
  for (const { joints } of derived.nets)
    for (const { contactId, controlId } of joints) {
      const name = names.chips.get(controlId) ?? names.shunts.get(controlId);
      if (name !== undefined && !owners.has(contactId)) owners.set(contactId, name);
    }
  design.controllers.forEach(({ id }, nth) => owners.set(`controller ${id}`, `A${nth + 1}`));
  return owners;
}

interface Ends {
  owners: Map<string, string>;
  /** Small parts in leads, by contact and net. */
  inLeads: ReadonlyMap<string, string>;
  controllerOfNet: Map<string, string>;
  addedIds: ReadonlySet<string>;
  /** Names of controls, and of diodes and resistors. */
  ofControls: ReadonlySet<string>;
  small: ReadonlySet<string>;
}

function namesAt(end: WireEnd, netId: string, { owners, inLeads, controllerOfNet }: Ends): string[] {
  if (isPad(end)) {
    const controllerId = controllerOfNet.get(netId);
    return controllerId === undefined ? [] : [owners.get(`controller ${controllerId}`)!];
  }
  return [owners.get(end.id), inLeads.get(inlineKey({ contactId: end.id, netId }))].filter(
    (name): name is string => name !== undefined,
  );
}

/** Lines of a matrix one by one, since they are checked one by one; the rest by where it leads. */
function groupKey(wire: Wire, { controllerOfNet, addedIds }: Ends): string {
  const { phase, netId, from, to } = wire;
  if (phase === "links") return `links ${[from.boardId, to.boardId].sort().join(" ")}`;
  const board = from.boardId;
  if (phase === "rows" || phase === "columns") return `${phase} ${board} ${netId}`;
  if (phase === "leads") return `leads ${board} ${controllerOfNet.get(netId) ?? ""}`;
  if (phase === "supply") return `supply ${board} ${netId}`;
  const added = [to.id, from.id].map(partOfEnd).find((id) => addedIds.has(id));
  return `branches ${board} ${added ?? netId}`;
}

const partOfEnd = (endId: string) => endId.slice(0, Math.max(endId.lastIndexOf("."), 0));

const TITLES: Record<Wire["phase"], (nets: string[], to: string) => string> = {
  rows: (nets) => `Run row ${nets[0]}`,
  columns: (nets) => `Run column ${nets[0]}, insulated`,
  branches: (nets, to) => `Run ${nets.length === 1 ? nets[0] : `${nets.length} branches`}${to && ` to ${to}`}`,
  supply: (nets) => `Run ${nets[0]}`,
  leads: (nets, to) => `Run ${counted(nets.length, "lead")} to ${to}`,
  links: (nets) => `Join the boards by ${counted(nets.length, "conductor")}`,
};

const HOW: Partial<Record<Wire["phase"], string[]>> = {
  columns: ["Columns cross the rows: bare wire must not touch them."],
  leads: ["Lead by lead: note the pin on a flag before the next one."],
  links: ["Leave as much cable as the boards move apart, and room for its bend."],
};

/** Rows lie flat; what crosses them comes after, so that it can be seen and lifted. */
const crossing = (boardId: string): Want => ({
  token: `rows ${boardId}`,
  sort: "crossing",
  words: "crosses the rows, which lie flat beneath it",
});

const reachOf = (end: WireEnd, netId: string, ends: Ends): Reach => ({
  boardId: end.boardId,
  face: "back",
  at: end.at,
  of: end.name,
  owner: namesAt(end, netId, ends)[0] ?? "",
});

/** Names of what wires lead to, by their sorts. */
function ledTo({ design }: Bench, wires: Wire[], ends: Ends) {
  const all = new Set(wires.flatMap(({ from, to, netId }) => [from, to].flatMap((end) => namesAt(end, netId, ends))));
  const controllers = design.controllers.filter((_, nth) => all.has(`A${nth + 1}`)).map(({ id }) => id);
  return { all, controllers, added: [...all].filter((name) => !ends.ofControls.has(name) && !ends.small.has(name)) };
}

/** An end on a made board is soldered to the board, any other one to its part. */
function wiresWant(bench: Bench, wires: Wire[], ends: Ends): Want[] {
  const everyEnd = wires.flatMap(({ from, to, netId }) => [from, to].map((end) => ({ end, netId })));
  const loose = everyEnd.flatMap(({ end, netId }) => (isMade(bench, end.boardId) ? [] : namesAt(end, netId, ends)));
  const boards = bench.design.boards.filter(
    (board) => isMade(bench, board.id) && everyEnd.some(({ end }) => end.boardId === board.id),
  );
  const [{ phase, from }] = wires;
  return [
    ...[...new Set(loose)].map(joinedTo),
    ...boards.map((board): Want => ({
      token: fitted(bareOf(board)),
      sort: "joined",
      words: "is soldered to the board",
    })),
    ...(phase === "columns" || phase === "leads" || phase === "branches" ? [crossing(from.boardId)] : []),
  ];
}

/** What stands between two nets hangs on its own leads: its place is nominal. */
function wiresReach(bench: Bench, wires: Wire[], ends: Ends): Reach[] {
  const between = new Set(bench.names.shunts.values());
  return wires.flatMap(({ from, to, netId }) =>
    [from, to]
      .filter(({ boardId }) => !isMade(bench, boardId))
      .map((end) => reachOf(end, netId, ends))
      .filter(({ owner }) => !between.has(owner)),
  );
}

function wireNeeds(wires: Wire[]): string[] {
  return metresOf(cutList(wires)).map(({ colour, mm2, metres }) => {
    const lengths = wires.filter((wire) => wire.colour === colour && wire.mm2 === mm2).length;
    return `Wire ${mm2} mm², ${colour}: ${metres.toFixed(2)} m in ${counted(lengths, "length")}`;
  });
}

function wireStep(bench: Bench, id: string, wires: Wire[], ends: Ends): Step {
  const [{ phase, from }] = wires;
  const { all, added, controllers } = ledTo(bench, wires, ends);
  const to =
    phase === "leads" ? added.filter((name) => controllers.some((one) => controllerName(bench, one) === name)) : added;
  const boardId = phase === "links" ? null : from.boardId;
  const { names } = bench;
  return step({
    id,
    sort: "wire",
    title: `${TITLES[phase]([...new Set(wires.map(({ net }) => net))], listed(to))}${boardId === null ? "" : onBoard(bench, boardId)}`,
    boardId,
    face: boardId === null ? null : "back",
    tool: "iron",
    units: wires.length,
    wires: wires.map(({ key }) => key),
    needs: wireNeeds(wires),
    how: HOW[phase] ?? [],
    checks: ["Pull at each joint; measure from end to end."],
    cautions: ["solder", "leads"],
    lit: {
      controls: [...names.controls].flatMap(([one, name]) => (all.has(name) ? [one] : [])),
      chips: [...names.chips].flatMap(([one, name]) => (all.has(name) ? [one] : [])),
      controllers,
    },
    reaches: wiresReach(bench, wires, ends),
    wants: wiresWant(bench, wires, ends),
    gives: [
      ...(phase === "rows" ? [`rows ${from.boardId}`] : []),
      ...new Set(wires.map(({ netId }) => `wired ${netId}`)),
    ],
  });
}

/** Wires that are soldered by hand. */
export function wireSteps(bench: Bench): Step[] {
  const { derived, names } = bench;
  const ends: Ends = {
    owners: ownersOf(bench),
    inLeads: names.inlines,
    controllerOfNet: new Map(
      derived.nets.flatMap(({ id, controllerId }) => (controllerId ? [[id, controllerId]] : [])),
    ),
    addedIds: new Set(names.chips.keys()),
    ofControls: new Set(names.controls.values()),
    small: new Set([...names.inlines.values(), ...names.shunts.values()]),
  };
  const groups = new Map<string, Wire[]>();
  for (const wire of bench.wires) {
    const key = groupKey(wire, ends);
    groups.set(key, [...(groups.get(key) ?? []), wire]);
  }
  return [...groups].map(([id, wires]) => wireStep(bench, id, wires, ends));
}
