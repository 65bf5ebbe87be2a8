import type { Binding } from "../bindings";
import { derive } from "../derived/derive";
import type { Finger } from "../document/reachSettings";
import type { Design } from "../document/schema";
import { distanceMm } from "../geometry/point";
import { assignLeastCost } from "../optimisation/assignment";
import { randomFrom } from "../optimisation/random";
import { fingersOf, typingOf } from "./reach";

/** Functions that can change places, the keys they stand on, and what it costs the fingers. */
export interface PlacementProblem {
  /** Inputs of the base whose bindings may move, and be moved to. */
  inputs: string[];
  /** Presses of each function in the sample text. */
  presses: number[];
  /** How often one function follows another, in the text. */
  pairs: number[][];
  /** From the home of its finger to each key, in mm. */
  fromHome: number[];
  /** Between keys of one finger, in mm; 0 for keys of different fingers, which wait for each other. */
  between: number[][];
}

export interface Placement {
  /** Of each function the number of the key it goes to. */
  keyOf: number[];
  /** Way of the fingers over the text, in mm. */
  cost: number;
  /** No placement costs less than this. */
  bound: number;
}

/** A plain key of the base layer, which may change places with others. */
const canMove = (binding: Binding | undefined) =>
  binding?.does === "keyboard" && binding.usage < 0xe0 && binding.modifiers === 0;

/**
 * What may be placed anew on the base layer: plain keys that a finger presses and that are not kept. The effort counts the way from
 * the finger's home for every press, and for two presses of one finger in a row the way between their keys as well: what is
 * added for pairs is never less than nothing, so that a placement by single presses bounds them all.
 * @param kept inputs that stay
 */
export function placementProblem(design: Design, kept: ReadonlySet<string>): PlacementProblem {
  const [base] = design.keymap.layers;
  const { inputs: all, controls } = derive(design);
  const fingers = fingersOf(design);
  const home = new Map(design.reach.homes.map(({ finger, controlId }) => [finger, controlId]));
  const movable = all.filter(
    ({ id, controlId, motion }) =>
      motion === "press" &&
      !kept.has(id) &&
      canMove(base.bindings[id]) &&
      fingers.has(controlId) &&
      home.has(fingers.get(controlId)!),
  );
  const place = (controlId: string) => controls.get(controlId)!.placement;
  const finger = (nth: number): Finger => fingers.get(movable[nth].controlId)!;
  const sequence = pressSequence(design, new Map(movable.map(({ controlId }, nth) => [controlId, nth])));
  const presses = movable.map((_, nth) => sequence.filter((one) => one === nth).length);
  const pairs = movable.map(() => movable.map(() => 0));
  for (let at = 1; at < sequence.length; at++) {
    const [one, next] = [sequence[at - 1], sequence[at]];
    if (one !== null && next !== null && one !== next) pairs[one][next] += 1;
  }
  return {
    inputs: movable.map(({ id }) => id),
    presses,
    pairs,
    fromHome: movable.map(({ controlId }, nth) => distanceMm(place(controlId), place(home.get(finger(nth))!))),
    between: movable.map((one, a) =>
      movable.map((other, b) =>
        finger(a) === finger(b) ? distanceMm(place(one.controlId), place(other.controlId)) : 0,
      ),
    ),
  };
}

/** The functions that the sample text presses, one after another; null for keys that stay. */
function pressSequence(design: Design, numbers: Map<string, number>): (number | null)[] {
  const typing = typingOf(design);
  return [...design.reach.sample].flatMap((sign) => {
    const typed = typing.get(sign);
    return typed ? [numbers.get(typed.controlId) ?? null] : [];
  });
}

/** What a placement costs: the way of the fingers in mm. */
export function placementCost({ presses, pairs, fromHome, between }: PlacementProblem, keyOf: number[]): number {
  let cost = 0;
  for (let one = 0; one < keyOf.length; one++) {
    cost += presses[one] * fromHome[keyOf[one]];
    for (let next = 0; next < keyOf.length; next++) cost += pairs[one][next] * between[keyOf[one]][keyOf[next]];
  }
  return cost;
}

/** Exact for single presses alone: the assignment of least cost, and so a bound for those that look at pairs too. */
export function singlePlacement(problem: PlacementProblem): { keyOf: number[]; bound: number } {
  const { presses, fromHome } = problem;
  if (presses.length === 0) return { keyOf: [], bound: 0 };
  const keyOf = assignLeastCost(presses.map((count) => fromHome.map((mm) => count * mm)));
  return { keyOf, bound: keyOf.reduce((sum, key, one) => sum + presses[one] * fromHome[key], 0) };
}

/** Up to so many functions every placement is looked at. */
const MOST_EXACT = 8;

/** The best of all, by taking keys one after another and giving up where it already costs more. */
function exactPlacement(problem: PlacementProblem): number[] {
  const { presses, pairs, fromHome, between } = problem;
  const count = presses.length;
  let best: number[] = presses.map((_, nth) => nth);
  let least = placementCost(problem, best);
  const keyOf: number[] = [];
  const taken = new Array<boolean>(count).fill(false);
  const take = (one: number, cost: number): void => {
    if (cost >= least) return;
    if (one === count) {
      best = [...keyOf];
      least = cost;
      return;
    }
    for (let key = 0; key < count; key++) {
      if (taken[key]) continue;
      let more = presses[one] * fromHome[key];
      for (let other = 0; other < one; other++)
        more += (pairs[one][other] + pairs[other][one]) * between[key][keyOf[other]];
      taken[key] = true;
      keyOf[one] = key;
      take(one + 1, cost + more);
      taken[key] = false;
    }
  };
  take(0, 0);
  return best;
}

/** What changing the keys of two functions adds. */
function swapGain(
  { presses, pairs, fromHome, between }: PlacementProblem,
  keyOf: number[],
  a: number,
  b: number,
): number {
  const [ka, kb] = [keyOf[a], keyOf[b]];
  let gain = (presses[a] - presses[b]) * (fromHome[kb] - fromHome[ka]);
  for (let one = 0; one < keyOf.length; one++) {
    if (one === a || one === b) continue;
    const change = between[kb][keyOf[one]] - between[ka][keyOf[one]];
    gain += (pairs[a][one] + pairs[one][a] - pairs[b][one] - pairs[one][b]) * change;
  }
  return gain;
}

/** Changes the best two until no change of two helps. */
function descend(problem: PlacementProblem, keyOf: number[]): number[] {
  const now = [...keyOf];
  for (;;) {
    let [best, from, to] = [-1e-9, 0, 0];
    for (let a = 0; a < now.length; a++)
      for (let b = a + 1; b < now.length; b++) {
        const gain = swapGain(problem, now, a, b);
        if (gain < best) [best, from, to] = [gain, a, b];
      }
    if (from === to) return now;
    [now[from], now[to]] = [now[to], now[from]];
  }
}

const SHAKEN = 6;

/** What the text never presses costs nothing anywhere: it stays where it is, as far as its key is not taken. */
function unpressedStay({ presses }: PlacementProblem, keyOf: number[]): number[] {
  const idle = keyOf.flatMap((_, one) => (presses[one] === 0 ? [one] : []));
  const free = new Set(idle.map((one) => keyOf[one]));
  const settled = [...keyOf];
  const homeless = idle.filter((one) => !free.has(one));
  for (const one of idle)
    if (free.has(one)) {
      settled[one] = one;
      free.delete(one);
    }
  const left = [...free];
  homeless.forEach((one, nth) => (settled[one] = left[nth]));
  return settled;
}

/**
 * A placement that costs the fingers little, pairs included: the best of all to 8 keys; beyond, changes of two from the best by
 * single presses, shaken and tried again.
 * @param rounds of shaking; the same seed gives the same placement
 */
export function placeFunctions(problem: PlacementProblem, seed: number, rounds: number): Placement {
  const { keyOf: singles, bound } = singlePlacement(problem);
  if (singles.length <= MOST_EXACT) {
    const keyOf = unpressedStay(problem, exactPlacement(problem));
    const cost = placementCost(problem, keyOf);
    return { keyOf, cost, bound: cost };
  }
  const random = randomFrom(seed);
  const nth = () => Math.floor(random() * singles.length);
  let best = descend(problem, singles);
  let least = placementCost(problem, best);
  for (let round = 0; round < rounds; round++) {
    const shaken = [...best];
    for (let swap = 0; swap < SHAKEN; swap++) {
      const [a, b] = [nth(), nth()];
      [shaken[a], shaken[b]] = [shaken[b], shaken[a]];
    }
    const found = descend(problem, shaken);
    const cost = placementCost(problem, found);
    if (cost < least) [best, least] = [found, cost];
  }
  return { keyOf: unpressedStay(problem, best), cost: least, bound };
}
