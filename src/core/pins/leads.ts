import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Point } from "../geometry/point";
import { crosses } from "../geometry/segment";
import { nearestTap, pinPlace } from "./pinPlace";

/** A straight lead from a net's nearest contact to its pin. */
export interface Lead {
  netId: string;
  from: Point;
  to: Point;
}

export function leadsOf(design: Design, assignments: Record<string, string>): Lead[] {
  const derived = derive(design);
  return Object.entries(assignments).flatMap(([netId, name]) => {
    const net = derived.netById.get(netId);
    const placed = net && derived.controllerOf(net);
    const pin = placed?.profile?.pins.find((each) => each.name === name);
    if (!placed || !pin || net.taps.length === 0) return [];
    const to = pinPlace(placed.controller, pin);
    return [{ netId, from: nearestTap(net, to).at, to }];
  });
}

/** Pairs of leads that cross. */
export function crossingLeads(leads: Lead[]): [Lead, Lead][] {
  return leads.flatMap((one, nth) =>
    leads
      .slice(nth + 1)
      .filter((other) => crosses(one.from, one.to, other.from, other.to))
      .map((other): [Lead, Lead] => [one, other]),
  );
}

/** Sum of the straight leads of a plan in mm. */
export const wireMm = (design: Design, assignments: Record<string, string>): number =>
  leadsOf(design, assignments).reduce((sum, { from, to }) => sum + Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm), 0);

/** Nets whose pin differs between two plans; a net without a pin has an empty one. */
export function movedNets(before: Design["pinPlan"], after: Record<string, string>) {
  const ids = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...ids]
    .map((netId) => ({ netId, from: before[netId]?.pin ?? "", to: after[netId] ?? "" }))
    .filter(({ from, to }) => from !== to);
}
