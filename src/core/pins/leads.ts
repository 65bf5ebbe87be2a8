import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Pin } from "../catalogue/controllers/controllerProfile";
import type { PlacedController } from "../derived/placedController";
import { type Point, place, point } from "../geometry/point";
import { outlineRing } from "../geometry/ring";
import { crosses, meetingPoint } from "../geometry/segment";
import { pathAround } from "../geometry/pathAround";
import { nearestJoint, pinPlace } from "./pinPlace";

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
    if (!placed || !pin || net.joints.length === 0) return [];
    const to = pinPlace(placed.controller, pin);
    return [{ netId, from: nearestJoint(net, to).at, to }];
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

/** A lead as it is laid: from the contact around the module to the place before its pad, and to the pad. */
export interface LeadPath {
  netId: string;
  path: Point[];
}

/** From the pad to the place outside the module where its lead arrives. */
export const GATE_MM = 2.2;

/** Where the lead of a pin arrives, outside the edge that the pad is nearest to. */
export function gateOf({ controller, profile }: PlacedController, pin: Pin): Point {
  if (!profile) return pinPlace(controller, pin);
  const [right, down] = [profile.widthMm / 2 - Math.abs(pin.xMm), profile.heightMm / 2 - Math.abs(pin.yMm)];
  const x = right <= down ? (Math.sign(pin.xMm) || 1) * (profile.widthMm / 2 + GATE_MM) : pin.xMm;
  const y = right <= down ? pin.yMm : (Math.sign(pin.yMm) || 1) * (profile.heightMm / 2 + GATE_MM);
  return place(point(controller.side === "under" ? -x : x, y), controller.placement);
}

/** Leads around the body of the module that they go to. */
export function leadPaths(design: Design, assignments: Record<string, string>): LeadPath[] {
  const derived = derive(design);
  return leadsOf(design, assignments).map(({ netId, from, to }) => {
    const placed = derived.controllerOf(derived.netById.get(netId)!)!;
    const pin = placed.profile!.pins.find(({ name }) => name === assignments[netId])!;
    const ring = placed.outline ? outlineRing(placed.outline) : [];
    return { netId, path: [...pathAround(from, gateOf(placed, pin), ring), to] };
  });
}

/** Where two ways cross each other, or null. */
function meeting(one: Point[], other: Point[]): Point | null {
  for (let a = 1; a < one.length; a++)
    for (let b = 1; b < other.length; b++)
      if (crosses(one[a - 1], one[a], other[b - 1], other[b]))
        return meetingPoint(one[a - 1], one[a], other[b - 1], other[b]);
  return null;
}

/** Pairs of leads that cross as they are laid, and where. */
export const crossingPaths = (paths: LeadPath[]): { one: LeadPath; other: LeadPath; at: Point }[] =>
  paths.flatMap((one, nth) =>
    paths.slice(nth + 1).flatMap((other) => {
      const at = meeting(one.path, other.path);
      return at ? [{ one, other, at }] : [];
    }),
  );
