import type { LadderBank } from "../circuits/circuitKind";
import { ladderLevel, ladderMargin, rungLevels } from "../circuits/ladderVoltage";
import { seriesBetween, type SeriesName } from "../electrics/eSeries";
import { randomFrom } from "../optimisation/random";

/** What a bank's windows depend on. */
export interface LadderSpec {
  keys: number;
  pullDownOhm: number;
  tolerance: number;
  ripple: number;
}

/** Steps of the converter that a reading is uncertain by: noise of a quiet supply (from memory). */
const NOISE_COUNTS = 2;

/** Least distance to the edge of a window, as a part of the supply, that a converter of so many bits can tell. */
export const neededMargin = (bits: number): number => NOISE_COUNTS / 2 ** bits;

export const bankOf = (rungOhms: number[], pullDownOhm: number): LadderBank => ({
  line: "",
  top: "",
  rungs: rungOhms.map((_, nth) => String(nth)),
  rungOhms,
  pullDownOhm,
});

export const equalOhms = (keys: number, ohm: number): number[] => Array.from({ length: keys }, () => ohm);

const MOST_KEYS = 32;

/** The most keys of equal resistors that a bank can hold with a margin. @returns 0 when not even two hold */
export function mostKeys(spec: Omit<LadderSpec, "keys">, ohm: number, margin: number): number {
  for (let keys = MOST_KEYS; keys >= 2; keys--)
    if (ladderMargin(bankOf(equalOhms(keys, ohm), spec.pullDownOhm), spec.tolerance, spec.ripple) >= margin)
      return keys;
  return 0;
}

/** Width of the range in which a rung's level lies when resistors are off by a tolerance: widest in the middle. */
function spread(level: number, tolerance: number): number {
  const at = (sign: number) => {
    const below = level * (1 + sign * tolerance);
    return below / (below + (1 - level) * (1 - sign * tolerance));
  };
  return at(1) - at(-1);
}

/**
 * No choice of resistors whatever gives a larger least margin. Adding the margins of all windows up, the levels cancel:
 * 2 n times the least margin is at most 1 less all spreads; each level lies at least twice the margin from the next, and
 * the spread is concave, so it is least at an end of where its level can lie.
 */
export function marginBound({ keys, tolerance }: LadderSpec): number {
  const fits = (margin: number) => {
    let spreads = 0;
    for (let rung = 1; rung < keys; rung++) {
      const [low, high] = [2 * margin * rung, 1 - 2 * margin * (keys - rung)];
      spreads += Math.min(spread(low, tolerance), spread(high, tolerance));
    }
    return 2 * keys * margin <= 1 - spreads;
  };
  let [low, high] = [0, 1 / (2 * keys)];
  for (let round = 0; round < 60; round++) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return high;
}

export interface LadderChoice {
  rungOhms: number[];
  margin: number;
  /** No ladder is better than this. */
  bound: number;
  /** Whether every choice of the values was tried. */
  isExhaustive: boolean;
}

/** Up to so many choices are all tried. */
const MOST_TRIED = 1_000_000;
/** Values lie within this factor of the usual one on both sides. */
const REACH = 2.3;

/** Values of a series around a usual one. */
export const valuesAround = (series: SeriesName, ohm: number): number[] =>
  seriesBetween(series, ohm / REACH, ohm * REACH);

/**
 * Resistors of a series whose least margin is largest: all choices where they are few, else a climb from equal ones and
 * from many starts by chance, one and two resistors at a time.
 * @param values that each resistor may have, upwards
 */
export function bestLadder(spec: LadderSpec, values: number[], seed: number): LadderChoice {
  const marginOf = (ohms: number[]) => ladderMargin(bankOf(ohms, spec.pullDownOhm), spec.tolerance, spec.ripple);
  const isExhaustive = values.length ** spec.keys <= MOST_TRIED;
  const found = isExhaustive ? everyChoice(spec.keys, values, marginOf) : climb(spec.keys, values, marginOf, seed);
  return { ...found, bound: marginBound(spec), isExhaustive };
}

type Found = Pick<LadderChoice, "rungOhms" | "margin">;

function everyChoice(keys: number, values: number[], marginOf: (ohms: number[]) => number): Found {
  const ohms = equalOhms(keys, values[0]);
  let best: Found = { rungOhms: [...ohms], margin: -Infinity };
  const choose = (at: number) => {
    if (at === keys) {
      const margin = marginOf(ohms);
      if (margin > best.margin) best = { rungOhms: [...ohms], margin };
      return;
    }
    for (const value of values) {
      ohms[at] = value;
      choose(at + 1);
    }
  };
  choose(0);
  return best;
}

const STARTS = 12;

function climb(keys: number, values: number[], marginOf: (ohms: number[]) => number, seed: number): Found {
  const random = randomFrom(seed);
  const middle = Math.floor(values.length / 2);
  let best: Found = { rungOhms: [], margin: -Infinity };
  for (let start = 0; start < STARTS; start++) {
    const at = Array.from({ length: keys }, () => (start === 0 ? middle : Math.floor(random() * values.length)));
    const margin = climbFrom(at, values, marginOf);
    if (margin > best.margin) best = { rungOhms: at.map((nth) => values[nth]), margin };
  }
  return best;
}

/** Moves one resistor, or two at once, by up to two values as long as that helps. */
function climbFrom(at: number[], values: number[], marginOf: (ohms: number[]) => number): number {
  const ohms = at.map((nth) => values[nth]);
  let margin = marginOf(ohms);
  const put = (nth: number, value: number) => {
    at[nth] = value;
    ohms[nth] = values[value];
  };
  const steps = [-2, -1, 1, 2];
  const better = (moves: [number, number][]): boolean => {
    if (moves.some(([nth, step]) => values[at[nth] + step] === undefined)) return false;
    moves.forEach(([nth, step]) => put(nth, at[nth] + step));
    const moved = marginOf(ohms);
    if (moved > margin + 1e-12) {
      margin = moved;
      return true;
    }
    moves.forEach(([nth, step]) => put(nth, at[nth] - step));
    return false;
  };
  for (let isMoving = true; isMoving;) {
    isMoving = false;
    for (let one = 0; one < at.length; one++) {
      for (const step of steps) if (better([[one, step]])) isMoving = true;
      for (let other = one + 1; other < at.length; other++)
        for (const step of steps)
          for (const second of steps)
            if (
              better([
                [one, step],
                [other, second],
              ])
            )
              isMoving = true;
    }
  }
  return margin;
}

export interface LadderYield {
  samples: number;
  /** Ladders whose every key is told right, with room for the converter's noise, as a part of all. */
  part: number;
  leastMargin: number;
  meanMargin: number;
  /** The exact worst case, which no sample goes beyond. */
  worstCase: number;
}

/** Margin of one ladder as it was built, against the windows of the ladder as it was meant. */
function marginAsBuilt(meant: number[], built: LadderBank, ripple: number): number {
  let margin = Infinity;
  for (let nth = 0; nth < meant.length; nth++) {
    const level = ladderLevel(built, [nth + 1]);
    const low = (meant[nth] + (meant[nth - 1] ?? 0)) / 2;
    const high = nth + 1 < meant.length ? (meant[nth] + meant[nth + 1]) / 2 : Infinity;
    margin = Math.min(margin, level * (1 - ripple) - low, high - level * (1 + ripple));
  }
  return margin;
}

/**
 * Ladders built with resistors by chance, each anywhere within its tolerance: how many of them work.
 * @param margin that a key must keep to its window's edges
 */
export function ladderYield(
  bank: LadderBank,
  tolerance: number,
  ripple: number,
  margin: number,
  seed: number,
  samples: number,
): LadderYield {
  const random = randomFrom(seed);
  const off = (ohm: number) => ohm * (1 + tolerance * (2 * random() - 1));
  const meant = rungLevels(bank);
  let [good, least, sum] = [0, Infinity, 0];
  for (let nth = 0; nth < samples; nth++) {
    const built = { ...bank, rungOhms: bank.rungOhms.map(off), pullDownOhm: off(bank.pullDownOhm) };
    const own = marginAsBuilt(meant, built, ripple);
    if (own >= margin) good += 1;
    least = Math.min(least, own);
    sum += own;
  }
  const worstCase = ladderMargin(bank, tolerance, ripple);
  return { samples, part: good / samples, leastMargin: least, meanMargin: sum / samples, worstCase };
}

/** What two keys at once are told as: the lower, the upper, or a third one that nobody pressed. */
export interface TwoAtOnce {
  pairs: number;
  asLower: number;
  asUpper: number;
  asThird: number;
}

export function twoAtOnce(bank: LadderBank, toldFor: (level: number) => number | null): TwoAtOnce {
  const told: TwoAtOnce = { pairs: 0, asLower: 0, asUpper: 0, asThird: 0 };
  for (let lower = 1; lower < bank.rungs.length; lower++)
    for (let upper = lower + 1; upper <= bank.rungs.length; upper++) {
      const rung = toldFor(ladderLevel(bank, [lower, upper]));
      told.pairs += 1;
      if (rung === lower - 1) told.asLower += 1;
      else if (rung === upper - 1) told.asUpper += 1;
      else told.asThird += 1;
    }
  return told;
}
