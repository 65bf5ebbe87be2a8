import type { Chip } from "../circuits/chip";
import type { NetRole } from "../circuits/net";
import { derive } from "../derived/derive";
import { linkEndId } from "../derived/linkEnds";
import type { Design } from "../document/schema";
import type { Assembled } from "./assembled";
import type { FaultyWorld } from "./faultyWorld";

/** Terminals of an added part that it cannot work without, with the nets they are on, and the lines that go by way of it. */
interface ChipEnds {
  chip: Chip;
  service: { netId: string; contactId: string }[];
  lines: string[];
  /** Inputs that are not used and tied to a rail. */
  spare: string[];
}

/** By the plug of a link: all nets of the part that is reached through it. */
function linesBehindLinks(design: Design): Map<string, string[]> {
  const { linkEnds, nets } = derive(design);
  return new Map(
    linkEnds.map(({ link, end }) => [
      `${linkEndId(link, end)}.J1`,
      nets.filter(({ controllerId, need }) => need && controllerId === link.farId).map(({ id }) => id),
    ]),
  );
}

const stemOf = (name: string) => name.replace(/\d+$/, "");

/** Added parts with what they hang on; worked out once. */
export const chipEndsOf = ({ design, nets }: Assembled): ChipEnds[] =>
  derive(design).once("chip ends", () => {
    const { chips, builtCircuits } = derive(design);
    const isLine = new Set(
      builtCircuits.flatMap(({ groups, encoders, lamps, outputs }) => [
        ...groups.flatMap(({ strobeNet, cells }) => [strobeNet ?? "", ...cells.map(({ senseNet }) => senseNet)]),
        ...encoders.flatMap(({ netA, netB }) => [netA, netB]),
        ...[...lamps, ...outputs].map(({ net }) => net),
      ]),
    );
    const netOf = new Map(
      [...nets.values()].flatMap(({ places, net }) => [...places.keys()].map((id) => [id, net.id])),
    );
    const isPower = (netId: string) => ["ground", "supply"].includes(nets.get(netId)!.net.role);
    const behindLink = linesBehindLinks(design);
    return chips.map((chip) => {
      const ends = chip.terminals.flatMap(({ name }) => {
        const contactId = `${chip.id}.${name}`;
        const netId = netOf.get(contactId);
        return netId === undefined ? [] : [{ name, netId, contactId }];
      });
      const gives = ends.filter(({ netId, contactId }) => isLine.has(netId) || nets.get(netId)!.root === contactId);
      const stems = new Set(gives.map(({ name }) => stemOf(name)));
      // An input that is not used is tied to a rail: the part works without that.
      const isSpare = ({ name, netId }: (typeof ends)[number]) =>
        isPower(netId) &&
        (name.length === 1 || /^\dO?[AE]$/.test(name) || (stems.has(stemOf(name)) && /\d$/.test(name)));
      const service = ends.filter((end) => !gives.includes(end) && !isSpare(end));
      return {
        chip,
        service,
        lines: behindLink.get(chip.id) ?? gives.map(({ netId }) => netId),
        spare: ends.filter((end) => !gives.includes(end) && isSpare(end)).map(({ contactId }) => contactId),
      };
    });
  });

/** Adds the lines that are not read or driven any more since the added part that they go by has lost one of its own. */
export function addDeadLines(world: FaultyWorld, dead: Set<string>): void {
  for (const line of linesHeldHigh(world)) dead.add(line);
  const spoilt = spoiltNets(world);
  if (world.broken.size + spoilt.size === 0) return;
  const { nets } = world.base.assembled;
  const isWorking = ({ service }: ChipEnds) =>
    service.every(({ netId, contactId }) => {
      const net = nets.get(netId)!;
      const place = net.places.get(contactId)!;
      return !spoilt.has(netId) && world.isSound(place) && world.isRooted(net, place.lump);
    });
  // What one part hands on to the next is dead with it: again until nothing more falls.
  for (let left = chipEndsOf(world.base.assembled); ;) {
    const fallen = left.filter((ends) => !isWorking(ends));
    if (fallen.length === 0) return;
    for (const { lines } of fallen) for (const line of lines) dead.add(line);
    left = left.filter((ends) => !fallen.includes(ends));
  }
}

/** Nets that touch a rail or another net although an added part must drive or hear them. */
export function spoiltNets(world: FaultyWorld): Set<string> {
  const { faults, base } = world;
  const { nets } = base.assembled;
  const role = (id: string) => nets.get(id)!.net.role;
  return new Set([
    ...withoutPullUp(world),
    ...faults.flatMap((fault) => {
      if (fault.kind === "swapped") return [fault.netA, fault.netB].filter((id) => SERVICE.has(role(id)));
      if (fault.kind !== "short") return [];
      return [fault.netA, fault.netB].filter((id) => SERVICE.has(role(id)));
    }),
  ]);
}

/** Lines of a bus that no resistor pulls up any more. */
function withoutPullUp(world: FaultyWorld): string[] {
  if (world.broken.size === 0) return [];
  const { design, nets } = world.base.assembled;
  return pullUpsOf(design).flatMap(({ netId, ends }) => {
    const isPulled = ends.some((pair) => pair.every((end) => nets.has(end.netId) && world.reaches(end)));
    return isPulled ? [] : [netId];
  });
}

/** By line of a bus: both ends of each resistor on it. */
const pullUpsOf = (design: Design) =>
  derive(design).once("pull-ups of buses", () => {
    const { nets, shunts } = derive(design);
    return nets.flatMap(({ id, role }) => {
      const own = shunts.filter(({ from, to }) => from === id || to === id);
      if (role !== "bus" || own.length === 0) return [];
      const ends = own.map((shunt) => [
        { netId: shunt.from, contactId: `${shunt.id}.1` },
        { netId: shunt.to, contactId: `${shunt.id}.2` },
      ]);
      return [{ netId: id, ends }];
    });
  });

/** Lines by which added parts and displays are driven. */
const SERVICE = new Set<NetRole>(["clock", "latch", "data", "select", "enable", "interrupt", "bus", "bank", "chain"]);

/** Lines that touch a rail: nothing can pull them low. */
function linesHeldHigh({ faults, base }: FaultyWorld): string[] {
  const isRail = (id: string) => base.assembled.nets.get(id)!.net.role === "supply";
  return faults.flatMap((fault) => {
    if (fault.kind !== "short" || isRail(fault.netA) === isRail(fault.netB)) return [];
    return [isRail(fault.netA) ? fault.netB : fault.netA];
  });
}
