import { type Pin, usablePins } from "../catalogue/controllers/controllerProfile";
import type { Net } from "../circuits/net";
import { derive } from "../design/derive";
import type { Controller, Design } from "../design/schema";
import { assignLeastCost } from "./assignment";
import { lacks } from "./capability";
import { nearestTap, pinPlace } from "./pinPlace";

export interface PinPlanResult {
  /** Pin name by net id, the locked ones included. */
  assignments: Record<string, string>;
  /** Nets that found no pin. */
  unplaced: string[];
  /** Straight leads from each net's nearest contact to its pin. */
  totalWireMm: number;
}

/** Far above any wire: a net without a pin is the worst, then an encoder end that cannot interrupt. */
const NO_PIN = 1e9;
const NO_INTERRUPT = 1e5;
/** Analog and bus pins are kept free while a plain pin is hardly farther. */
const SCARCE_MM = 4;

function cost(net: Net, pin: Pin, controller: Controller): number {
  if (lacks(pin, net.need!)) return 2 * NO_PIN;
  const interrupt = net.need!.interrupt && !pin.interrupt ? NO_INTERRUPT : 0;
  const scarce = (pin.analogChannel === null ? 0 : SCARCE_MM) + (pin.buses.length > 0 ? SCARCE_MM : 0);
  return interrupt + scarce + nearestTap(net, pinPlace(controller, pin)).distanceMm;
}

/**
 * Shares out pins: the exact least sum of lead lengths, with capabilities honoured, encoders on interrupt pins
 * first, analog and bus pins spared while that costs less than 4 mm each, reserved pins and locks left alone.
 * With too few pins as many nets as possible are placed. Without a controller nothing is.
 */
export function planPins(design: Design): PinPlanResult {
  const { controller, profile, signalNets } = derive(design);
  if (!controller || !profile) return { assignments: {}, unplaced: signalNets.map((net) => net.id), totalWireMm: 0 };
  const locked = signalNets.filter((net) => design.pinPlan[net.id]?.locked);
  const assignments: Record<string, string> = Object.fromEntries(
    locked.map((net) => [net.id, design.pinPlan[net.id].pin]),
  );
  const taken = new Set(Object.values(assignments));
  const free = usablePins(profile).filter((pin) => !taken.has(pin.name));
  const open = signalNets.filter((net) => !design.pinPlan[net.id]?.locked);
  // One stand-in column a net means "no pin", so that an assignment always exists.
  const costs = open.map((net) => [...free.map((pin) => cost(net, pin, controller)), ...open.map(() => NO_PIN)]);
  const unplaced: string[] = [];
  assignLeastCost(costs).forEach((column, nth) => {
    if (column < free.length) assignments[open[nth].id] = free[column].name;
    else unplaced.push(open[nth].id);
  });
  return { assignments, unplaced, totalWireMm: wireMm(design, assignments) };
}

/** Sum of the straight leads of a plan in mm. */
export function wireMm(design: Design, assignments: Record<string, string>): number {
  const { controller, profile, netById } = derive(design);
  if (!controller || !profile) return 0;
  const pins = new Map(profile.pins.map((pin) => [pin.name, pin]));
  let sum = 0;
  for (const [netId, name] of Object.entries(assignments)) {
    const net = netById.get(netId);
    const pin = pins.get(name);
    if (net && pin) sum += nearestTap(net, pinPlace(controller, pin)).distanceMm;
  }
  return sum;
}
