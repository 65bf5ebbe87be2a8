import type { Finger } from "../document/reachSettings";
import type { PracticeRun, Tally } from "./run";
import { measuresFrom } from "./typingMeasures";

/** A day of practice. */
export interface PracticeDay {
  day: string;
  minutes: number;
  /** Over all that was typed that day; null where nothing was. */
  wordsPerMinute: number | null;
  totalErrors: number | null;
  /** Over all that was pressed as it was named. */
  pressMs: number | null;
  pressErrors: number | null;
}

/** The local day of a moment; `offsetMinutes` as `Date.getTimezoneOffset` tells it (minutes from here to UTC). */
export function dayOf(at: string, offsetMinutes: number): string {
  return new Date(Date.parse(at) - offsetMinutes * 60_000).toISOString().slice(0, 10);
}

const sum = (values: number[]) => values.reduce((total, value) => total + value, 0);

/** What each day came to, the oldest first: times and errors of all bouts together, so that long ones count more. */
export function daysOf(runs: readonly PracticeRun[], offsetOf: (at: string) => number): PracticeDay[] {
  const byDay = new Map<string, PracticeRun[]>();
  for (const run of runs) {
    const day = dayOf(run.at, offsetOf(run.at));
    byDay.set(day, [...(byDay.get(day) ?? []), run]);
  }
  return [...byDay].map(([day, own]) => ({ day, ...dayFrom(own) })).sort((a, b) => (a.day < b.day ? -1 : 1));
}

function dayFrom(runs: PracticeRun[]): Omit<PracticeDay, "day"> {
  const typed = runs.flatMap(({ typed: passage, seconds }) => (passage ? [{ ...passage, seconds }] : []));
  const total = (field: keyof (typeof typed)[number]) => sum(typed.map((one) => one[field]));
  // Each passage's first sign only starts its clock.
  const measures =
    typed.length === 0
      ? null
      : measuresFrom({
          presented: total("presented"),
          transcribed: total("transcribed") - (typed.length - 1),
          distance: total("distance"),
          incorrectFixed: total("incorrectFixed"),
          keystrokes: total("keystrokes"),
          seconds: total("seconds"),
        });
  const pressed = addedUp(runs.filter(({ sort }) => sort === "press"));
  const all = [...pressed.values()];
  const [tries, errors] = [sum(all.map((one) => one.tries)), sum(all.map((one) => one.errors))];
  return {
    minutes: sum(runs.map(({ seconds }) => seconds)) / 60,
    wordsPerMinute: measures && measures.wordsPerMinute,
    totalErrors: measures && measures.totalErrors,
    pressMs: tries > errors ? sum(all.map((one) => one.rightMs)) / (tries - errors) : null,
    pressErrors: tries > 0 ? errors / tries : null,
  };
}

const noTally: Tally = { tries: 0, errors: 0, rightMs: 0 };

/** Tallies of many bouts, by what was asked for. */
export function addedUp(runs: readonly PracticeRun[]): Map<string, Tally> {
  const all = new Map<string, Tally>();
  for (const { of } of runs)
    for (const [id, { tries, errors, rightMs }] of Object.entries(of)) {
      const known = all.get(id) ?? noTally;
      all.set(id, { tries: known.tries + tries, errors: known.errors + errors, rightMs: known.rightMs + rightMs });
    }
  return all;
}

/** Of a tally the share that went wrong, and the mean time of what went right; null where nothing did. */
export const errorShare = ({ tries, errors }: Tally): number => (tries === 0 ? 0 : errors / tries);
export const meanMs = ({ tries, errors, rightMs }: Tally): number | null =>
  tries > errors ? rightMs / (tries - errors) : null;

/** Before so many tries a sign's own time and errors say little; the mean of all stands in for what is missing. */
const PRIOR_TRIES = 5;
const MOST_NEED = 6;

/**
 * How much each thing needs practice: its time against the mean of all, and its errors, both drawn towards the mean while there are few tries.
 * 1 is as usual; never below one half or above six.
 */
export function needOf(tallies: ReadonlyMap<string, Tally>): Map<string, number> {
  const all = [...tallies.values()];
  const [tries, errors, rightMs] = [
    sum(all.map((one) => one.tries)),
    sum(all.map((one) => one.errors)),
    sum(all.map((one) => one.rightMs)),
  ];
  if (tries === errors || tries === 0) return new Map();
  const [usualMs, usualErrors] = [rightMs / (tries - errors), errors / tries];
  return new Map(
    [...tallies].map(([id, one]) => {
      const right = one.tries - one.errors;
      const ms = (one.rightMs + PRIOR_TRIES * usualMs) / (right + PRIOR_TRIES);
      const wrong = (one.errors + PRIOR_TRIES * usualErrors) / (one.tries + PRIOR_TRIES);
      // A wrong one costs about three keystrokes: itself, taking it away, and the right one.
      const need = ms / usualMs + 3 * (wrong - usualErrors);
      return [id, Math.max(0.5, Math.min(MOST_NEED, need))];
    }),
  );
}

/** How some signs went day by day: the share that was wrong, and the mean time of those that were right. */
export function signDays(
  runs: readonly PracticeRun[],
  offsetOf: (at: string) => number,
  isOfThem: (sign: string) => boolean,
): { day: string; tries: number; wrong: number; ms: number | null }[] {
  const byDay = new Map<string, Tally>();
  for (const { at, sort, of } of runs) {
    if (sort !== "type") continue;
    const day = dayOf(at, offsetOf(at));
    for (const [sign, { tries, errors, rightMs }] of Object.entries(of)) {
      if (!isOfThem(sign)) continue;
      const known = byDay.get(day) ?? noTally;
      byDay.set(day, {
        tries: known.tries + tries,
        errors: known.errors + errors,
        rightMs: known.rightMs + rightMs,
      });
    }
  }
  return [...byDay]
    .map(([day, tally]) => ({ day, tries: tally.tries, wrong: errorShare(tally), ms: meanMs(tally) }))
    .sort((a, b) => (a.day < b.day ? -1 : 1));
}

/** Tallies by finger, of inputs whose finger is known. */
export function byFinger(
  tallies: ReadonlyMap<string, Tally>,
  fingerOf: (id: string) => Finger | undefined,
): Map<Finger, Tally> {
  const all = new Map<Finger, Tally>();
  for (const [id, one] of tallies) {
    const finger = fingerOf(id);
    if (!finger) continue;
    const known = all.get(finger) ?? noTally;
    all.set(finger, {
      tries: known.tries + one.tries,
      errors: known.errors + one.errors,
      rightMs: known.rightMs + one.rightMs,
    });
  }
  return all;
}
