import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { counted, listed } from "../words";
import { needsOf } from "./needs";
import { type BriefOption, type OptionSetting, optionFor } from "./option";
import { jointsOf } from "../catalogue/prices";
import { switchStrategies } from "./strategies";
import { lampStrategies } from "./strategies/lampStrategies";
import { voltageStrategies } from "./strategies/voltageStrategies";
import type { ChosenPlan, Wish } from "../document/wish";

export interface RankedOption extends BriefOption {
  /** Why it stands where it stands, in a sentence. */
  reason: string;
  /** Another option that is nowhere worse and somewhere better; null for those worth a look. */
  beatenBy: string | null;
}

const TURN_WAYS = ["direct", "with-switches"];

/** All combinations of strategies that the wish gives a reason for. */
function plansFor(wish: Wish, profileId: string): ChosenPlan[] {
  const needs = needsOf(wish);
  const lamps = needs.lamps === 0 ? lampStrategies.slice(0, 1) : lampStrategies;
  const voltages = needs.voltages === 0 ? voltageStrategies.slice(0, 1) : voltageStrategies;
  const turns = needs.turns === 0 ? TURN_WAYS.slice(0, 1) : TURN_WAYS;
  const switches = needs.switches === 0 && needs.turns === 0 ? switchStrategies.slice(0, 1) : switchStrategies;
  return switches.flatMap(({ id: switchStrategy }) =>
    turns.flatMap((turnStrategy) =>
      lamps.flatMap(({ id: lampStrategy }) =>
        voltages.map(({ id: voltageStrategy }) => ({
          profileId,
          switchStrategy,
          turnStrategy,
          lampStrategy,
          voltageStrategy,
        })),
      ),
    ),
  );
}

const warnings = (option: BriefOption) => option.certainty.filter(({ weight }) => weight === "warn").length;
const missing = (option: BriefOption) => option.room.short.reduce((sum, { count }) => sum + count, 0);
const works = (option: BriefOption) => option.fits && option.unmet.length === 0;

/** What one joint weighs against money, so that work counts too (from memory: a third of a minute each). */
const MONEY_A_JOINT = 0.02;
const burden = (option: BriefOption) => option.money + jointsOf(option.parts) * MONEY_A_JOINT;

function better(a: BriefOption, b: BriefOption): number {
  return (
    a.unmet.length - b.unmet.length ||
    missing(a) - missing(b) ||
    warnings(a) - warnings(b) ||
    burden(a) - burden(b) ||
    b.pins[0].spare - a.pins[0].spare ||
    a.pressToReportMs - b.pressToReportMs ||
    (a.id < b.id ? -1 : 1)
  );
}

/** Nowhere worse (money, parts, spare pins, time, certainty) and somewhere better. */
function beats(a: BriefOption, b: BriefOption): boolean {
  const gains = [
    b.money - a.money,
    b.partCount - a.partCount,
    a.pins[0].spare - b.pins[0].spare,
    b.pressToReportMs - a.pressToReportMs,
    b.certainty.length - a.certainty.length,
    warnings(b) - warnings(a),
  ];
  return gains.every((gain) => gain >= -1e-9) && gains.some((gain) => gain > 1e-9);
}

/** In what an option is ahead of the first. */
function gainsOver(option: BriefOption, first: BriefOption): string[] {
  const pins = option.pins[0].spare - first.pins[0].spare;
  const parts = first.partCount - option.partCount;
  const ms = first.pressToReportMs - option.pressToReportMs;
  const money = first.money - option.money;
  return [
    ...(pins > 0 ? [`${counted(pins, "pin")} more to spare`] : []),
    ...(parts > 0 ? [`${counted(parts, "part")} fewer`] : []),
    ...(ms > 0.1 ? [`${ms.toFixed(1)} ms sooner`] : []),
    ...(money > 0.005 ? [`${money.toFixed(2)} cheaper`] : []),
  ];
}

function reasonOf(option: BriefOption, first: BriefOption | undefined): string {
  if (option.unmet.length > 0) return `It ${listed(option.unmet)}.`;
  if (!option.fits || !first)
    return `Short of ${listed(option.room.short.map(({ what, count }) => `${count} for ${what}`))}.`;
  const room = `${option.room.needed} of ${option.room.had} pins, ${option.pins[0].spare} left`;
  if (option === first)
    return `Least money and work of all that fit: ${room}, ${counted(option.partCount, "part")} to add.`;
  const gains = gainsOver(option, first);
  const cost = option.money - first.money;
  const price = cost > 0.005 ? ` for ${cost.toFixed(2)} more` : "";
  return gains.length > 0 ? `Against the first: ${listed(gains)}${price}; ${room}.` : `Fits: ${room}.`;
}

/**
 * Every controller class with every sensible combination of strategies, the best first. What fits and meets the must-haves
 * comes before what does not; then certainty, money with work, spare pins and time decide.
 */
export function planBrief(wish: Wish, profiles: ControllerProfile[], setting: OptionSetting): RankedOption[] {
  const options = profiles
    .flatMap((profile) => plansFor(wish, profile.id).map((plan) => optionFor(wish, plan, profile, setting)))
    .filter((option): option is BriefOption => option !== null)
    .sort(better);
  const working = options.filter(works);
  // On one controller class only the nearest miss is worth a look among those that do not work.
  const seen = new Set<string>();
  return options.map((option) => {
    const winner = works(option)
      ? working.find((other) => beats(other, option))
      : seen.has(option.profile.id) || working.some((other) => other.profile.id === option.profile.id)
        ? (working[0] ?? option)
        : undefined;
    if (!works(option)) seen.add(option.profile.id);
    return { ...option, reason: reasonOf(option, working[0]), beatenBy: winner?.id ?? null };
  });
}
