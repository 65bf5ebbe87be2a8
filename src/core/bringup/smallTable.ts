import type { Outcome } from "./predict";
import { tellingTrials } from "./infer";
import type { Model } from "./model";
import { type Efforts, effortOf } from "./trial";

/** A set of groups, one bit each. */
export type Groups = number;

/** A test, and the sets that it tells apart. */
export interface SmallTest {
  trial: number;
  effort: number;
  parts: Groups[];
}

/** Few groups of suspects that tests tell apart, and what each test makes of them. */
export interface SmallTable {
  /** Of each group, its suspects' together. */
  weights: number[];
  tests: SmallTest[];
}

/** Groups are bits of a whole number. */
const MOST_GROUPS = 30;

/**
 * The table of some suspects; of tests that tell the same apart the one with the least effort stands in it.
 * @param allowed which tests may be used
 * @returns null where there are more groups than the table can hold
 */
export function smallTable(
  model: Model,
  suspects: readonly number[],
  weights: Float64Array,
  efforts: Efforts,
  allowed: (trial: number) => boolean = () => true,
): SmallTable | null {
  const trials = tellingTrials(model, suspects).filter(allowed);
  const groups = new Map<string, number[]>();
  for (const suspect of suspects) {
    const told = trials.map((trial) => outcomeOf(model, trial, suspect)).join("\n");
    const group = groups.get(told);
    if (group) group.push(suspect);
    else groups.set(told, [suspect]);
    if (groups.size > MOST_GROUPS) return null;
  }
  const all = [...groups.values()];
  return {
    weights: all.map((group) => group.reduce((sum, suspect) => sum + weights[suspect], 0)),
    tests: testsOf(
      model,
      all.map(([first]) => first),
      trials,
      efforts,
    ),
  };
}

const outcomeOf = ({ rows }: Model, trial: number, suspect: number): Outcome =>
  rows[trial].others.get(suspect) ?? rows[trial].base;

function testsOf(model: Model, firsts: number[], trials: number[], efforts: Efforts): SmallTest[] {
  const tests = new Map<string, SmallTest>();
  for (const trial of trials) {
    const parts = partsOf(model, firsts, trial);
    if (parts.length < 2) continue;
    const effort = effortOf(model.trials[trial], efforts);
    const key = parts.join();
    if (effort < (tests.get(key)?.effort ?? Infinity)) tests.set(key, { trial, effort, parts });
  }
  return [...tests.values()];
}

/** In the order of the first group of each. */
function partsOf(model: Model, firsts: number[], trial: number): Groups[] {
  const parts = new Map<Outcome, Groups>();
  firsts.forEach((suspect, nth) => {
    const came = outcomeOf(model, trial, suspect);
    parts.set(came, (parts.get(came) ?? 0) | (1 << nth));
  });
  return [...parts.values()];
}

/** All groups of a table. */
export const allGroups = ({ weights }: SmallTable): Groups => (1 << weights.length) - 1;

/** Whether it is one group, or none. */
export const isOneGroup = (groups: Groups): boolean => (groups & (groups - 1)) === 0;

/** How many groups there are. */
export function countGroups(groups: Groups): number {
  let count = 0;
  for (let left = groups; left !== 0; left &= left - 1) count += 1;
  return count;
}

/** What a test makes of a set. */
export function cut({ parts }: SmallTest, groups: Groups): Groups[] {
  const made: Groups[] = [];
  for (const part of parts) if ((part & groups) !== 0) made.push(part & groups);
  return made;
}

export function weightOf({ weights }: SmallTable, groups: Groups): number {
  let sum = 0;
  for (let left = groups; left !== 0; left &= left - 1) sum += weights[31 - Math.clz32(left & -left)];
  return sum;
}
