import { type Net, rails } from "../circuits/net";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { wireOhm } from "../electrics/copper";
import { type Wire, wiresOf } from "./wires";

export interface SupplyDrop {
  /** The rail, by its flag, and its net. */
  rail: string;
  netId: string;
  /** What the rail carries, in V. */
  railV: number;
  /** All parts at their most, in mA. */
  currentMa: number;
  /** Voltage lost to the worst part on the way there and back, in V. */
  worstV: number;
  /** That part's end in words, and its control, where it is one. */
  worstAt: string;
  worstControlId: string | null;
}

/** Current that a part takes from a rail at its most; added logic takes next to nothing. */
function currentsByEnd({ joints }: Net, design: Design): Map<string, number> {
  const { elements } = derive(design);
  return new Map(joints.map(({ contactId, elementId }) => [contactId, elements.get(elementId)?.currentMa ?? 0]));
}

/** Ohms from the controller to each end, walking the supply's tree outwards with the current each wire carries. */
function dropsFrom(pin: string, wires: Wire[], current: Map<string, number>): Map<string, number> {
  const next = new Map<string, { end: string; wire: Wire }[]>();
  const join = (at: string, end: string, wire: Wire) => next.set(at, [...(next.get(at) ?? []), { end, wire }]);
  for (const wire of wires) {
    join(wire.from.id, wire.to.id, wire);
    join(wire.to.id, wire.from.id, wire);
  }
  const drops = new Map<string, number>();
  const carried = (at: string, from: string): number =>
    (next.get(at) ?? [])
      .filter(({ end }) => end !== from)
      .reduce((sum, { end }) => sum + carried(end, at), current.get(at) ?? 0);
  const walk = (at: string, from: string, volts: number) => {
    drops.set(at, volts);
    for (const { end, wire } of next.get(at) ?? []) {
      if (end === from) continue;
      const ohm = wireOhm(wire.cutMm, wire.mm2);
      walk(end, at, volts + (carried(end, at) / 1000) * ohm);
    }
  };
  walk(pin, "", 0);
  return drops;
}

function dropOf(rail: Net, design: Design): SupplyDrop | null {
  const current = currentsByEnd(rail, design);
  const currentMa = [...current.values()].reduce((a, b) => a + b, 0);
  const railV = rails.find(({ id }) => id === rail.id)?.volts ?? derive(design).profile?.logicV;
  if (currentMa === 0 || !railV) return null;
  const wires = wiresOf(design).filter(({ netId }) => netId === rail.id);
  const pin = wires.map(({ to }) => to.id).find((id) => id.startsWith("pin "));
  if (!pin) return null;
  let worst: [string, number] = ["", 0];
  for (const [end, volts] of dropsFrom(pin, wires, current)) if (volts > worst[1]) worst = [end, volts];
  const name = wires.flatMap(({ from, to }) => [from, to]).find(({ id }) => id === worst[0])?.name ?? "";
  const worstControlId = rail.joints.find(({ contactId }) => contactId === worst[0])?.controlId ?? null;
  return { rail: rail.flag, netId: rail.id, railV, currentMa, worstV: 2 * worst[1], worstAt: name, worstControlId };
}

/** Voltage lost in the wires of each rail with everything at its most; ground is taken to lose as much on the way back. */
export const supplyDrops = (design: Design): SupplyDrop[] =>
  derive(design).nets.flatMap((net) => (net.role === "supply" ? (dropOf(net, design) ?? []) : []));
