import { type Pin, usablePins } from "../catalogue/controllers/controllerProfile";
import type { Net } from "../circuits/net";
import { derive } from "../derived/derive";
import type { PlacedController } from "../derived/placedController";
import type { Controller, Design } from "../document/schema";
import { lacks } from "./capability";
import { crossingLeads, leadsOf, wireMm } from "./leads";
import { busGroups, rowGroups } from "./pinGroups";
import { nearestJoint, pinPlace } from "./pinPlace";
import { sideOf } from "./pinSides";
import { IMPOSSIBLE, type PinProblem, solvePins } from "../optimisation/solvePins";

export interface PinPlanResult {
  /** Pin name by net id, the locked ones included. */
  assignments: Record<string, string>;
  /** Nets that found no pin. */
  unplaced: string[];
  /** Straight leads from each net's nearest contact to its pin. */
  totalWireMm: number;
  /** Pairs of straight leads that cross. */
  crossings: number;
  /** What was made small: wire in mm, and far heavier what a plan should avoid. */
  cost: number;
  /** No plan costs less. */
  bound: number;
  proof: "optimal" | "gap";
}

/**
 * `afresh` plans every net that is not locked from nothing. `fewest-moves` leaves nets where they are unless something
 * is gained beyond wire: for a change made late, when leads are soldered already.
 */
export type PinPlanMode = "afresh" | "fewest-moves";

/** In mm of wire: heavier means avoided first. No plan saves so much wire by moving one net. */
const NO_INTERRUPT = 1e8;
const ON_FREE_SIDE = 1e6;
const MOVED = 1e4;
/** Pins that could do more are kept free while a plain one is hardly farther. */
const SCARCE_MM = 4;
/** Pins that decide how the board starts are taken last. */
const BOOT_MM = 40;

interface Setting {
  design: Design;
  controller: Controller;
  mode: PinPlanMode;
  isFreeSide(pin: Pin): boolean;
}

function cost(net: Net, pin: Pin, { design, controller, mode, isFreeSide }: Setting): number {
  const need = net.need!;
  if (lacks(pin, need)) return IMPOSSIBLE;
  const now = design.pinPlan[net.id]?.pin;
  const moved = mode === "fewest-moves" && now !== undefined && now !== pin.name ? MOVED : 0;
  const interrupt = need.interrupt && !pin.interrupt ? NO_INTERRUPT : 0;
  const scarce =
    (pin.analogChannel !== null && !need.analog ? SCARCE_MM : 0) + (pin.buses.length > 0 && !need.bus ? SCARCE_MM : 0);
  const avoided = (pin.boot ? BOOT_MM : 0) + (isFreeSide(pin) ? ON_FREE_SIDE : 0);
  return interrupt + scarce + avoided + moved + nearestJoint(net, pinPlace(controller, pin)).distanceMm;
}

interface ControllerProblem extends PinProblem {
  nets: Net[];
  pinList: Pin[];
  locked: Net[];
}

/** The nets to be placed on the main controller, the pins they may take, and what either costs; null without one. */
export function pinProblemOf(design: Design, mode: PinPlanMode): ControllerProblem | null {
  const [main] = derive(design).controllers;
  return main ? problemFor(main, design, mode) : null;
}

function problemFor({ controller, profile }: PlacedController, design: Design, mode: PinPlanMode) {
  if (!profile) return null;
  const signalNets = derive(design).netsFor(controller.id);
  const locked = signalNets.filter((net) => design.pinPlan[net.id]?.locked);
  const nets = signalNets.filter((net) => !design.pinPlan[net.id]?.locked);
  const taken = new Set(locked.map((net) => design.pinPlan[net.id].pin));
  const pinList = usablePins(profile).filter((pin) => !taken.has(pin.name));
  const { keepFree } = design.pinWishes;
  const onFreeSide = new Set(
    keepFree.length === 0 ? [] : pinList.filter((pin) => keepFree.includes(sideOf(profile, pin))),
  );
  const isFreeSide = (pin: Pin) => onFreeSide.has(pin);
  const setting = { design, controller, mode, isFreeSide };
  const costs = nets.map((net) => pinList.map((pin) => cost(net, pin, setting)));
  // A bus with one line locked keeps the other on the same bus controller.
  const buses = busGroups(nets, pinList).map((group) => withLockedLine(group, nets, locked, design, profile.pins));
  const together = [...buses, ...(design.pinWishes.rowsTogether ? rowGroups(nets, pinList, profile) : [])];
  return { costs, pins: pinList.length, together, nets, pinList, locked };
}

type Group = ReturnType<typeof busGroups>[number];

function withLockedLine(group: Group, nets: Net[], locked: Net[], design: Design, pins: Pin[]): Group {
  const partner = locked.find(({ busId }) => busId === nets[group.nets[0]].busId);
  const pin = partner && pins.find(({ name }) => name === design.pinPlan[partner.id].pin);
  if (!pin) return group;
  const instances = pin.buses.filter(({ bus }) => bus === group.sort).map(({ instance }) => String(instance));
  return { ...group, options: group.options.filter(({ key }) => instances.includes(key)) };
}

/**
 * Shares out pins: the exact least sum of lead lengths, with capabilities honoured, both lines of a bus on one bus
 * controller, encoders on interrupt pins first, sides kept free, rows together when wished, analog and bus pins spared
 * while that costs less than 4 mm each, boot pins taken last, reserved pins and locks left alone. With too few pins as
 * many nets as possible are placed. Straight leads of nets that could change pins never cross in such a plan: crossed
 * leads are two diagonals of a quadrilateral, which are together longer than two of its sides.
 */
export function planPins(design: Design, mode: PinPlanMode = "afresh"): PinPlanResult {
  const { controllers, signalNets } = derive(design);
  const plans = controllers.flatMap((each) => planFor(each, design, mode) ?? []);
  const assignments = Object.assign({}, ...plans.map((plan) => plan.assignments)) as Record<string, string>;
  const sum = (of: (plan: ControllerPlan) => number) => plans.reduce((total, plan) => total + of(plan), 0);
  return {
    assignments,
    unplaced: signalNets.map(({ id }) => id).filter((id) => !Object.hasOwn(assignments, id)),
    totalWireMm: wireMm(design, assignments),
    crossings: crossingLeads(leadsOf(design, assignments)).length,
    cost: sum(({ cost }) => cost),
    bound: sum(({ bound }) => bound),
    proof: plans.every(({ isProven }) => isProven) ? "optimal" : "gap",
  };
}

interface ControllerPlan {
  assignments: Record<string, string>;
  cost: number;
  bound: number;
  isProven: boolean;
}

/** One controller's pins; null when nobody knows its class. */
function planFor(placed: PlacedController, design: Design, mode: PinPlanMode): ControllerPlan | null {
  const problem = problemFor(placed, design, mode);
  if (!problem) return null;
  const { nets, pinList, locked } = problem;
  const { pinOf, cost, bound, isProven } = solvePins(problem);
  const kept = locked.map((net) => [net.id, design.pinPlan[net.id].pin]);
  const found = nets.flatMap((net, nth) => (pinOf[nth] >= 0 ? [[net.id, pinList[pinOf[nth]].name]] : []));
  return { assignments: Object.fromEntries([...kept, ...found]), cost, bound, isProven };
}
