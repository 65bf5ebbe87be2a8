import { entropyBits } from "./infer";
import { NOTHING_BITS } from "./promise";
import { type Least, ROUNDING, leastOf } from "./smallest";
import {
  type Groups,
  type SmallTable,
  type SmallTest,
  allGroups,
  countGroups,
  cut,
  isOneGroup,
  weightOf,
} from "./smallTable";

/** So few groups are searched to the end. */
const SEARCHED_MOST = 10;

/** So many of the most promising tests are followed up, in so many steps one after the other. */
const CANDIDATES = 4;
const STEPS = 3;

/**
 * Finds the next test by looking ahead. The test with the most information for its effort is mostly right, but not where
 * two tests want each other. So the most promising tests are followed up to the end, and the one whose line takes the
 * least effort is made; how such a line goes on is found in the same way, one step less deep, in the end by what promises
 * most (nested rollouts). On matrices up to 2 x 3 this comes to the exact best line (tests/reference).
 */
export class LookAhead {
  private readonly smallest = new Map<Groups, Least>();
  private readonly known = Array.from({ length: STEPS + 1 }, () => new Map<Groups, number>());

  constructor(private readonly table: SmallTable) {}

  /** The test to make first of all; null where nothing tells these groups apart. */
  next(): number | null {
    return this.choose(STEPS, allGroups(this.table))?.trial ?? null;
  }

  private choose(steps: number, groups: Groups): SmallTest | null {
    if (isOneGroup(groups)) return null;
    if (countGroups(groups) <= SEARCHED_MOST) {
      const { trial } = leastOf(this.table, groups, this.smallest);
      return this.table.tests.find((test) => test.trial === trial) ?? null;
    }
    const promising = this.promising(groups, steps === 0 ? 1 : CANDIDATES);
    if (steps === 0) return promising[0] ?? null;
    let best: SmallTest | null = null;
    let least = Infinity;
    for (const test of promising) {
      const effort = this.effortWith(test, steps - 1, groups);
      if (effort >= least * (1 - ROUNDING)) continue;
      least = effort;
      best = test;
    }
    return best;
  }

  /** Tests with the most expected information for their effort; of those that tell the same apart the first. */
  private promising(groups: Groups, most: number): SmallTest[] {
    const rated = this.table.tests.flatMap((test) => {
      const parts = cut(test, groups);
      const bits = entropyBits(parts.map((part) => weightOf(this.table, part)));
      return bits < NOTHING_BITS ? [] : [{ test, rate: Math.round(bits / test.effort / NOTHING_BITS), parts }];
    });
    rated.sort((one, other) => other.rate - one.rate);
    const kept: typeof rated = [];
    for (const one of rated) {
      if (kept.length === most) break;
      if (!kept.some(({ parts }) => parts.toSorted().join() === one.parts.toSorted().join())) kept.push(one);
    }
    return kept.map(({ test }) => test);
  }

  /** All effort when this test is made first, and it then goes on with so many steps of looking ahead. */
  private effortWith(test: SmallTest, steps: number, groups: Groups): number {
    let effort = test.effort * weightOf(this.table, groups);
    for (const part of cut(test, groups)) effort += this.effort(steps, part);
    return effort;
  }

  /** Weighted, not divided by the weight. */
  private effort(steps: number, groups: Groups): number {
    if (isOneGroup(groups)) return 0;
    if (countGroups(groups) <= SEARCHED_MOST) return leastOf(this.table, groups, this.smallest).effort;
    const known = this.known[steps].get(groups);
    if (known !== undefined) return known;
    const test = this.choose(steps, groups);
    const effort = test ? this.effortWith(test, steps, groups) : 0;
    this.known[steps].set(groups, effort);
    return effort;
  }
}
