import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Point } from "../geometry/point";
import { wiresOf } from "../wires/wires";
import type { State } from "./consumers";
import { supplyAt } from "./solveSupply";

/** A short insulated copper wire in air stays cool up to about so much a square millimetre (common practice). */
export const AMPERE_A_MM2 = 8;

/** What one wire carries. */
export interface WireLoad {
  key: string;
  netId: string;
  /** The net's flag. */
  net: string;
  from: Point;
  to: Point;
  ma: number;
  sort: "supply" | "ground" | "signal";
  /** More than a wire of its cross-section carries without getting hot. */
  isHot: boolean;
}

/** Current of the one part that a signal's net feeds, or drains: a lamp's, a motor's that hangs on its pin. */
function signalCurrents(design: Design, state: State): Map<string, number> {
  const { nets } = derive(design);
  const supply = supplyAt(design, state);
  const currents = new Map<string, number>();
  for (const { id, role, joints } of nets) {
    if (role !== "lamp" && role !== "output" && role !== "chain") continue;
    const own = joints.reduce((sum, { elementId }) => {
      const consumer = supply?.consumers.find(
        ({ id: one, sort }) => one === elementId && (sort === "lamp" || sort === "output"),
      );
      return sum + (consumer ? supply!.parts.get(consumer.id)!.ma : 0);
    }, 0);
    if (own > 0) currents.set(id, own);
  }
  return currents;
}

/** Every wire that carries a load at a moment, with the load; wires that only carry signals are left out. */
export function wireLoads(design: Design, state: State): WireLoad[] {
  const { netById } = derive(design);
  const supply = supplyAt(design, state);
  if (!supply) return [];
  const signals = signalCurrents(design, state);
  return wiresOf(design).flatMap(({ key, netId, net, from, to, mm2 }) => {
    const ma = supply.wireMa.get(key) ?? signals.get(netId) ?? 0;
    const { role } = netById.get(netId)!;
    const sort = role === "supply" || role === "ground" ? role : "signal";
    if (ma < 0.005) return [];
    return [{ key, netId, net, from: from.at, to: to.at, ma, sort, isHot: ma / 1000 > AMPERE_A_MM2 * mm2 }];
  });
}
