import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { hasUsb8Chip } from "../chips/usb8Classes";
import { needsOf } from "./needs";
import { type PinRoom, pinRoomOf } from "./pinRoom";
import { type PartCounts, priceOf, sumParts } from "../catalogue/prices";
import { type Language, languageFor, unmetBy } from "./mustHaves";
import type { Brief, ChosenPlan, Wish } from "../document/wish";
import { devicesPlan } from "./strategies/devices";
import { switchStrategyNamed } from "./strategies";
import { lampStrategies } from "./strategies/lampStrategies";
import { voltageStrategies } from "./strategies/voltageStrategies";
import { type Certainty, type PinLot, type StrategyContext, type StrategyCost, noCost } from "./strategies/strategy";

export interface PinBalance {
  kind: "all" | "analog" | "interrupt" | "PWM" | "bus";
  needed: number;
  had: number;
  spare: number;
}

/** One controller class with one strategy for each sort of need, and what that comes to. */
export interface BriefOption {
  id: string;
  plan: ChosenPlan;
  profile: ControllerProfile;
  title: string;
  /** How the switches are read, in a few words. */
  shape: string;
  fits: boolean;
  room: PinRoom;
  pins: PinBalance[];
  parts: PartCounts;
  partCount: number;
  /** Controller and added parts, in money units; the controls themselves cost the same in every option. */
  money: number;
  /** From a press that just missed its reading to the report at the host, in ms. */
  pressToReportMs: number;
  certainty: Certainty[];
  /** Must-haves that it cannot meet, in words. */
  unmet: string[];
  language: Language;
}

export interface OptionSetting {
  brief: Pick<Brief, "matrixShape" | "prices">;
  debounceMs: number;
  settleUs: number;
}

/** Computing of one switch in compiled firmware: 13,744 cycles for 64 keys with all layers changing (measured). */
const CYCLES_A_SWITCH = 215;
/** The same in an on-board interpreter, in µs (from memory: a scan of 64 keys takes 3 to 5 ms). */
const INTERPRETED_US_A_SWITCH = 60;
/** A full-speed USB host asks once a millisecond (USB 2.0). */
const POLL_MS = 1;

/** The runtime reads once a millisecond, whatever the time that a reading takes. */
const SCAN_MS = 1;

interface Pieces {
  switches: StrategyCost;
  lamps: StrategyCost;
  voltages: StrategyCost;
  turns: StrategyCost;
  devices: StrategyCost;
}

/** A strategy that has nothing to do costs nothing, and only its plainest form is worth a line. */
const idleOr = (count: number, isPlain: boolean, cost: () => StrategyCost | null | undefined): StrategyCost | null =>
  count === 0 && isPlain ? noCost : (cost() ?? null);

/** The strategies of a plan worked out for a wish; null when one of them makes no sense for it. */
function piecesOf(wish: Wish, plan: ChosenPlan, context: StrategyContext): Pieces | null {
  const needs = needsOf(wish);
  const { switchStrategy, lampStrategy, voltageStrategy } = plan;
  const switched = switchStrategyNamed(switchStrategy);
  const together = plan.turnStrategy === "with-switches";
  if (together && (!switched?.carriesTurns || needs.turns === 0)) return null;
  const { settleUs, matrixShape } = context;
  const inputs = { switches: needs.switches, turns: together ? needs.turns : 0 };
  const lines = inputs.switches + 2 * inputs.turns;
  const shape = matrixShape ? `${matrixShape.rows} × ${matrixShape.columns}` : "";
  const key = [switchStrategy, inputs.switches, inputs.turns, wish.chords, shape, settleUs].join("|");
  const switches = idleOr(lines, switchStrategy === "direct", () =>
    remembered(key, () => switched?.cost(inputs, context)),
  );
  const lamps = idleOr(needs.lamps, lampStrategy === "direct", () =>
    remembered(`lamps ${lampStrategy} ${needs.lamps}`, () =>
      lampStrategies.find(({ id }) => id === lampStrategy)?.cost(needs.lamps),
    ),
  );
  const voltages = idleOr(needs.voltages, voltageStrategy === "direct", () =>
    remembered(`voltages ${voltageStrategy} ${needs.voltages} ${settleUs}`, () =>
      voltageStrategies.find(({ id }) => id === voltageStrategy)?.cost(needs.voltages, settleUs),
    ),
  );
  if (!switches || !lamps || !voltages) return null;
  const turns = together
    ? noCost
    : remembered(`turns ${needs.turns} ${settleUs}`, () =>
        switchStrategyNamed("direct")!.cost({ switches: 0, turns: needs.turns }, context),
      )!;
  return { switches, lamps, voltages, turns, devices: devicesPlan(context) };
}

/** What strategies cost, by what it depends on: the searches for what breaks a plan ask for the same ones again and again. */
const known = new Map<string, StrategyCost | null>();
const MOST_KNOWN = 4000;

function remembered(key: string, compute: () => StrategyCost | null | undefined): StrategyCost | null {
  const plan = known.get(key);
  if (plan !== undefined) return plan;
  if (known.size >= MOST_KNOWN) known.clear();
  const fresh = compute() ?? null;
  known.set(key, fresh);
  return fresh;
}

/** Quadrature states a second at the wished speed: steps a turn × 4 × turns a second (common practice), 24 steps. */
export const statesPerSecond = (turnsPerSecond: number): number => 24 * 4 * turnsPerSecond;

/** Turns a second of which a knob of 24 steps loses none, read so many times a second. */
const sureTurns = (readings: number): string => (readings / statesPerSecond(1)).toFixed(1);

/** Whether the firmware is told every edge of the knobs: compiled, on an 8-bit USB class, all lines on pads that interrupt. */
const areKnobsTold = (plan: ChosenPlan, profile: ControllerProfile, { interrupts }: PinRoom, language: Language) =>
  language === "compiled" &&
  plan.turnStrategy !== "with-switches" &&
  hasUsb8Chip(profile.id) &&
  interrupts.met >= interrupts.wanted;

/** Whether every state of a turning knob is seen: all knobs are read once a millisecond, or as often as a reading lasts. */
function turnCertainty(wish: Wish, plan: ChosenPlan, scanUs: number): Certainty[] {
  if (needsOf(wish).turns === 0) return [];
  const states = statesPerSecond(wish.turnsPerSecond);
  const readings = Math.min(1000 / SCAN_MS, 1e6 / scanUs);
  if (readings < states)
    return [
      {
        weight: "warn",
        words: `knobs are read ${Math.round(readings)} times a second but make ${Math.round(states)} states: sure up to ${sureTurns(readings)} turns a second`,
      },
    ];
  if (plan.turnStrategy !== "with-switches") return [];
  return [{ weight: "note", words: `knobs are read in turn: sure up to ${sureTurns(readings)} turns a second` }];
}

function scanUsOf(pieces: Pieces, wish: Wish, profile: ControllerProfile, language: Language): number {
  const { switches, turns } = needsOf(wish);
  const inputs = switches + 2 * turns;
  const computing =
    language === "interpreted" ? inputs * INTERPRETED_US_A_SWITCH : (inputs * CYCLES_A_SWITCH) / profile.clockMhz;
  const reading = pieces.switches.readUs + pieces.voltages.readUs + pieces.lamps.readUs;
  return Math.max(1, computing + reading);
}

function balances(lots: PinLot[], room: PinRoom, profile: ControllerProfile): PinBalance[] {
  const usable = profile.pins.filter((pin) => pin.role === "io" && pin.reserved === null);
  const sum = (test: (lot: PinLot) => boolean) => {
    const shared = new Set<string>();
    return lots.reduce((total, lot) => {
      if (!test(lot) || (lot.shared && shared.has(lot.shared))) return total;
      if (lot.shared) shared.add(lot.shared);
      return total + lot.count;
    }, 0);
  };
  const of = (kind: PinBalance["kind"], needed: number, had: number) => ({ kind, needed, had, spare: had - needed });
  return [
    of("all", room.needed, room.had),
    of(
      "analog",
      sum((lot) => lot.need.analog),
      usable.filter((pin) => pin.analogChannel !== null).length,
    ),
    of(
      "interrupt",
      sum((lot) => lot.need.interrupt),
      usable.filter((pin) => pin.interrupt).length,
    ),
    of(
      "PWM",
      sum((lot) => lot.need.pwm),
      usable.filter((pin) => pin.pwm).length,
    ),
    of(
      "bus",
      sum((lot) => lot.need.bus !== null),
      usable.filter((pin) => pin.buses.length > 0).length,
    ),
  ];
}

const titleOf = (plan: ChosenPlan, wish: Wish) => {
  const needs = needsOf(wish);
  const words = [switchStrategyNamed(plan.switchStrategy)?.title ?? plan.switchStrategy];
  if (plan.turnStrategy === "with-switches") words.push("knobs too");
  if (needs.lamps > 0) words.push(lampStrategies.find(({ id }) => id === plan.lampStrategy)!.title);
  if (needs.voltages > 0 && plan.voltageStrategy !== "direct")
    words.push(voltageStrategies.find(({ id }) => id === plan.voltageStrategy)!.title);
  return words.join(", ");
};

/** The pins that a plan needs, by sort; null when one of its strategies makes no sense for the wish. */
export function lotsOf(
  wish: Wish,
  plan: ChosenPlan,
  profile: ControllerProfile,
  { brief, settleUs }: OptionSetting,
): PinLot[] | null {
  const pieces = piecesOf(wish, plan, { wish, profile, matrixShape: brief.matrixShape, settleUs });
  return pieces && (Object.values(pieces) as StrategyCost[]).flatMap(({ pins }) => pins);
}

/** Works out one plan on one controller class. Null when one of its strategies makes no sense for the wish. */
export function optionFor(
  wish: Wish,
  plan: ChosenPlan,
  profile: ControllerProfile,
  setting: OptionSetting,
): BriefOption | null {
  const { brief, settleUs, debounceMs } = setting;
  const pieces = piecesOf(wish, plan, { wish, profile, matrixShape: brief.matrixShape, settleUs });
  if (!pieces) return null;
  const all = Object.values(pieces) as StrategyCost[];
  const lots = all.flatMap(({ pins }) => pins);
  const room = pinRoomOf(lots, profile);
  const language = languageFor(wish, profile);
  const scanUs = scanUsOf(pieces, wish, profile, language);
  const knobs = areKnobsTold(plan, profile, room, language) ? [] : turnCertainty(wish, plan, scanUs);
  const parts = sumParts([
    ...all.map((piece) => piece.parts),
    { resistor: new Set(all.flatMap(({ shared }) => shared)).size },
    profile.form === "chip" ? { "chip-support": 1 } : {},
    wish.hotSwap ? { socket: wish.keys } : {},
  ]);
  const partsMoney = Object.entries(parts).reduce((sum, [id, count]) => sum + count * priceOf(id, brief.prices), 0);
  return {
    id: [profile.id, plan.switchStrategy, plan.turnStrategy, plan.lampStrategy, plan.voltageStrategy].join("/"),
    plan,
    profile,
    title: titleOf(plan, wish),
    shape: pieces.switches.shape,
    fits: room.fits,
    room,
    pins: balances(lots, room, profile),
    parts,
    partCount: Object.values(parts).reduce((sum, count) => sum + count, 0),
    money: priceOf(profile.id, brief.prices, profile.price) + partsMoney,
    // A press that its reading just missed waits for the next one.
    pressToReportMs: Math.max(SCAN_MS, scanUs / 1000) + debounceMs + scanUs / 1000 + POLL_MS,
    certainty: [...all.flatMap(({ certainty }) => certainty), ...knobs],
    unmet: unmetBy(wish, profile),
    language,
  };
}
