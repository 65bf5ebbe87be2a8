import { SUPPLY } from "../circuits/net";
import { derive } from "../design/derive";
import type { Design } from "../design/schema";
import { wireOhm } from "./copper";
import { type Wire, wiresOf } from "./wires";

export interface SupplyDrop {
  /** All parts at their most, in mA. */
  currentMa: number;
  /** Voltage lost to the worst part on the way there and back, in V. */
  worstV: number;
  /** That part. */
  worstAt: string;
}

/** Current that a part takes from the supply at its most; added logic takes next to nothing. */
function currentsByEnd(design: Design): Map<string, number> {
  const { nets, controls, elements } = derive(design);
  const supply = nets.find(({ id }) => id === SUPPLY);
  const entries = (supply?.taps ?? []).map(({ contactId, elementId, controlId }): [string, number] => {
    const control = controls.get(controlId);
    const takes = control && "currentMa" in control && elements.has(elementId) ? control.currentMa : 0;
    return [contactId, takes];
  });
  return new Map(entries);
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

/** Voltage lost in the supply wires with everything at its most; ground is taken to lose as much on the way back. */
export function supplyDrop(design: Design): SupplyDrop | null {
  const current = currentsByEnd(design);
  const currentMa = [...current.values()].reduce((a, b) => a + b, 0);
  if (currentMa === 0) return null;
  const wires = wiresOf(design).filter(({ netId }) => netId === SUPPLY);
  const pin = wires.map(({ to }) => to.id).find((id) => id.startsWith("pin "));
  if (!pin) return null;
  let worst: [string, number] = ["", 0];
  for (const [end, volts] of dropsFrom(pin, wires, current)) if (volts > worst[1]) worst = [end, volts];
  const name = wires.flatMap(({ from, to }) => [from, to]).find(({ id }) => id === worst[0])?.name ?? "";
  return { currentMa, worstV: 2 * worst[1], worstAt: name };
}
