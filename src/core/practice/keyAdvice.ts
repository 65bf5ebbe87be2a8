import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { HostLanguage } from "../languages/hostLanguage";
import { dayOf } from "./history";
import type { PracticeRun, Tally } from "./run";
import { addedUp } from "./history";
import { waysOf } from "./ways";

/** Two keys that could change places, with what that brings and what it costs. */
export interface KeyAdvice {
  /** The sign that is slow where it is, and the one it would change places with. */
  sign: string;
  other: string;
  inputId: string;
  otherId: string;
  /** Milliseconds saved in a thousand signs of text once both are learnt. */
  savedMs: number;
  /** Presses of both until they are as quick as before, and whether that is this person's own record. */
  relearnPresses: number;
  isOwnRecord: boolean;
  /** After so many signs of text the change has paid for itself. */
  paysAfterSigns: number;
}

/** What was tried fewer times, or on fewer days, says nothing yet of the place. */
export const ENOUGH_TRIES = 40;
export const ENOUGH_DAYS = 3;
/** A sign that still becomes quicker by this share wants practice, not another place. */
const STILL_LEARNING = 0.07;
/** A wrong sign costs about three keystrokes: itself, taking it away, the right one. */
const WRONG_COSTS = 3;
/** A key that moved is as quick as before after about so many presses (from memory: practice of days, not of minutes). */
export const USUAL_RELEARNING = 400;
/** Until then it takes twice as long on the average (from memory). */
const SLOWER_BY = 1;

interface Known {
  sign: string;
  inputId: string;
  /** Milliseconds that one such sign costs, errors with it. */
  cost: number;
  share: number;
  hasSettled: boolean;
}

/** Signs of one key alone on the base layer, that were tried often enough. */
function knownSigns(
  design: Design,
  language: HostLanguage,
  runs: readonly PracticeRun[],
  offsetOf: (at: string) => number,
): Known[] {
  const typed = runs.filter(({ sort }) => sort === "type");
  const all = addedUp(typed);
  const total = [...all.values()].reduce((sum, { tries }) => sum + tries, 0);
  const ways = waysOf(design, language);
  const usual = usualMs([...all.values()]);
  const [base] = design.keymap.layers;
  return [...ways].flatMap(([sign, { inputId, heldIds, layer }]) => {
    const tally = all.get(sign);
    const isPlain = layer === 0 && heldIds.length === 0 && base.bindings[inputId]?.does === "keyboard";
    if (!isPlain || !tally || tally.tries < ENOUGH_TRIES || sign === " ") return [];
    const days = new Set(typed.filter(({ of }) => Object.hasOwn(of, sign)).map(({ at }) => dayOf(at, offsetOf(at))));
    if (days.size < ENOUGH_DAYS) return [];
    return [
      { sign, inputId, cost: costOf(tally, usual), share: tally.tries / total, hasSettled: hasSettled(typed, sign) },
    ];
  });
}

function usualMs(tallies: Tally[]): number {
  const right = tallies.reduce((sum, { tries, errors }) => sum + tries - errors, 0);
  return right === 0 ? 0 : tallies.reduce((sum, { rightMs }) => sum + rightMs, 0) / right;
}

function costOf({ tries, errors, rightMs }: Tally, usual: number): number {
  const own = tries > errors ? rightMs / (tries - errors) : usual;
  return own + (errors / tries) * WRONG_COSTS * usual;
}

/** Whether the later half of its tries was hardly quicker than the earlier one. */
function hasSettled(runs: readonly PracticeRun[], sign: string): boolean {
  const own = runs.filter(({ of }) => Object.hasOwn(of, sign));
  const half = Math.floor(own.length / 2);
  const [early, late] = [own.slice(0, half), own.slice(half)].map((some) => usualMs(some.map(({ of }) => of[sign])));
  return early > 0 && late > early * (1 - STILL_LEARNING);
}

/** Presses until a sign came within a tenth of what it takes now, over this person's signs; null where no record tells. */
export function ownRelearning(runs: readonly PracticeRun[]): number | null {
  const typed = runs.filter(({ sort }) => sort === "type");
  const counts = [...addedUp(typed)].flatMap(([sign, { tries }]) => {
    if (tries < 4 * ENOUGH_TRIES) return [];
    const own = typed.flatMap(({ of }) => (Object.hasOwn(of, sign) ? [of[sign]] : []));
    const now = usualMs(own.slice(-Math.ceil(own.length / 4)));
    if (usualMs(own.slice(0, Math.ceil(own.length / 4))) < 1.3 * now) return [];
    let presses = 0;
    for (const tally of own) {
      if (usualMs([tally]) <= 1.1 * now) return [presses];
      presses += tally.tries;
    }
    return [];
  });
  if (counts.length === 0) return null;
  const sorted = counts.sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)];
}

const SHOWN = 5;

/**
 * When a key should move rather than the finger: signs that do not become quicker any more and still cost more than a place whose sign comes more seldom.
 * A place is taken to cost what its sign costs there now, so that two signs that change places change their costs.
 */
export function keyAdvice(
  design: Design,
  language: HostLanguage,
  runs: readonly PracticeRun[],
  offsetOf: (at: string) => number,
): KeyAdvice[] {
  const known = knownSigns(design, language, runs, offsetOf);
  const own = ownRelearning(runs);
  const relearn = own ?? USUAL_RELEARNING;
  const advice = known
    .filter(({ hasSettled: settled }) => settled)
    .flatMap((slow) =>
      known.flatMap((quick): KeyAdvice[] => {
        const saved = (slow.share - quick.share) * (slow.cost - quick.cost);
        if (saved <= 0 || slow.cost <= quick.cost) return [];
        const lost = relearn * SLOWER_BY * (slow.cost + quick.cost);
        return [
          {
            sign: slow.sign,
            other: quick.sign,
            inputId: slow.inputId,
            otherId: quick.inputId,
            savedMs: 1000 * saved,
            relearnPresses: 2 * relearn,
            isOwnRecord: own !== null,
            paysAfterSigns: Math.ceil(lost / saved),
          },
        ];
      }),
    )
    .sort((a, b) => b.savedMs - a.savedMs);
  return withoutRepeats(advice).slice(0, SHOWN);
}

/** Each key in one line only: the one that brings most. */
function withoutRepeats(advice: KeyAdvice[]): KeyAdvice[] {
  const seen = new Set<string>();
  return advice.filter(({ sign, other }) => {
    if (seen.has(sign) || seen.has(other)) return false;
    seen.add(sign).add(other);
    return true;
  });
}

/** What changes with the change: other things bound to the two keys, on other layers, and caps that are printed. */
export function alsoOnThem(design: Design, { inputId, otherId }: KeyAdvice): string[] {
  const { inputs } = derive(design);
  const labels = new Map(inputs.map(({ id, label }) => [id, label]));
  return design.keymap.layers
    .slice(1)
    .flatMap(({ name, bindings }) =>
      [inputId, otherId].flatMap((id) =>
        Object.hasOwn(bindings, id) ? [`${labels.get(id) ?? id} on ${name} stays`] : [],
      ),
    );
}
