import { randomFrom } from "@/core/optimisation/random";

/** A test by what it tells of each possibility; the outcome that most of them share is left out. */
export interface Question {
  effort: number;
  /** Possibilities that answer otherwise, by their answer. */
  others: number[][];
}

/** Some of the possibilities: which, and a name of the set (the sum by bits of a random number each; two sets of one name are not to be expected). */
interface Some {
  is: Uint8Array;
  list: number[];
  name: number;
}

interface Branch {
  low: number;
  parts: { some: () => Some; low: number; name: number; count: number }[];
}

/**
 * The least mean effort until one of some possibilities is named (all of which questions tell apart), over all lines of questions: depth first, cut off by a
 * bound from below, what was found for a set kept. Knows nothing of faults, and nothing of how the program chooses.
 */
export class BestLine {
  private readonly weights: Float64Array;
  private readonly marks: number[];
  private readonly rate: Float64Array;
  private readonly bounds = new Map<number, number>();
  private readonly found = new Map<number, { low: number; isExact: boolean }>();
  looked = 0;

  constructor(
    weights: readonly number[],
    private readonly questions: Question[],
  ) {
    const sum = weights.reduce((all, one) => all + one, 0);
    this.weights = Float64Array.from(weights, (one) => one / sum);
    this.rate = new Float64Array(weights.length);
    const random = randomFrom(53);
    this.marks = weights.map(() => Math.floor(random() * 2 ** 30) * 2 ** 22 + Math.floor(random() * 2 ** 22));
  }

  /** @param atMost an effort that some line is known to take; a larger one is not looked for */
  leastEffort(atMost: number): number {
    const list = this.marks.map((_, nth) => nth);
    return this.search(this.some(list), atMost);
  }

  private some(list: number[]): Some {
    const is = new Uint8Array(this.weights.length);
    for (const one of list) is[one] = 1;
    return { is, list, name: list.reduce((name, one) => joined(name, this.marks[one]), 0) };
  }

  private search(some: Some, limit: number): number {
    if (some.list.length < 2) return 0;
    const known = this.found.get(some.name);
    if (known && (known.isExact || known.low >= limit)) return known.low;
    const bound = this.bound(some);
    if (bound >= limit) return bound;
    this.looked += 1;
    let best = limit;
    let isFound = false;
    for (const branch of this.branches(some)) {
      if (branch.low >= best) break;
      const effort = this.follow(branch, best);
      if (effort >= best - 1e-12) continue;
      best = effort;
      isFound = true;
    }
    this.found.set(some.name, { low: best, isExact: isFound });
    return best;
  }

  /** Effort of a branch, or at least the limit. */
  private follow({ low, parts }: Branch, limit: number): number {
    let effort = low;
    for (const part of parts) {
      effort += this.search(part.some(), limit - (effort - part.low)) - part.low;
      if (effort >= limit - 1e-12) return limit;
    }
    return effort;
  }

  private branches(some: Some): Branch[] {
    const weight = some.list.reduce((sum, one) => sum + this.weights[one], 0);
    const seen = new Set<string>();
    const all: Branch[] = [];
    for (const { effort, others } of this.questions) {
      const told = others.map((group) => group.filter((one) => some.is[one] === 1)).filter((group) => group.length > 0);
      const count = told.reduce((sum, group) => sum + group.length, 0);
      if (count === 0 || (told.length === 1 && count === some.list.length)) continue;
      const parts = told.map((list) => this.part(() => this.some(list), nameOf(list, this.marks), list.length));
      if (count < some.list.length) {
        const name = parts.reduce((rest, part) => joined(rest, part.name), some.name);
        parts.push(this.part(() => this.some(without(some, told)), name, some.list.length - count));
      }
      const key = `${effort}|${parts
        .map(({ name }) => name)
        .sort()
        .join()}`;
      if (seen.has(key)) continue;
      seen.add(key);
      parts.sort((one, other) => one.count - other.count);
      all.push({ low: parts.reduce((sum, { low }) => sum + low, effort * weight), parts });
    }
    return all.sort((one, other) => one.low - other.low);
  }

  private part(some: () => Some, name: number, count: number): Branch["parts"][number] {
    const known = this.found.get(name)?.low ?? 0;
    return { some, name, count, low: count < 2 ? 0 : Math.max(known, this.bounds.get(name) ?? this.bound(some())) };
  }

  /**
   * Whichever question comes, all but those of one last answer have to give an answer of their own to some question on the
   * way along the commonest answers. If each could be asked for by itself, at its share of the question that touches most
   * weight for its effort, the best order would be that of Smith's rule (1956): largest weight for its length first.
   */
  private bound(some: Some): number {
    const known = this.bounds.get(some.name);
    if (known !== undefined) return known;
    const weight = some.list.reduce((sum, one) => sum + this.weights[one], 0);
    const { rate } = this;
    rate.fill(0);
    let cheapest = Infinity;
    for (const question of this.questions)
      if (this.touch(some, question, weight)) cheapest = Math.min(cheapest, question.effort);
    const bound = Number.isFinite(cheapest) ? Math.max(this.inOrder(some.list), cheapest * weight) : 0;
    this.bounds.set(some.name, bound);
    return bound;
  }

  /** Weight for effort of the best question for each possibility; those of commonest answers have none. */
  private touch(some: Some, { effort, others }: Question, weight: number): boolean {
    const { rate, weights } = this;
    let touched = 0;
    let most = 0;
    let common = -1;
    let count = 0;
    for (let nth = 0; nth < others.length; nth++) {
      let own = 0;
      for (const one of others[nth])
        if (some.is[one] === 1) {
          own += weights[one];
          count += 1;
        }
      touched += own;
      if (own > most) [most, common] = [own, nth];
    }
    if (count === 0 || (count === some.list.length && most === touched)) return false;
    const isRestCommon = count < some.list.length && weight - touched >= most;
    const share = (isRestCommon ? touched : weight - most) / effort;
    const apart = isRestCommon ? others.flat() : some.list.filter((one) => !others[common].includes(one));
    for (const one of apart) if (some.is[one] === 1 && rate[one] < share) rate[one] = share;
    return true;
  }

  private inOrder(list: number[]): number {
    const { rate, weights } = this;
    const order = list.filter((one) => rate[one] > 0).sort((one, other) => rate[other] - rate[one]);
    let spent = 0;
    let sum = 0;
    let before = 0;
    for (const one of order) {
      spent += weights[one] / rate[one];
      sum += weights[one] * spent;
    }
    const all = order.reduce((total, one) => total + weights[one], 0);
    const never = list.reduce((total, one) => total + (rate[one] === 0 ? weights[one] : 0), 0);
    if (order.length < list.length) return sum + spent * never;
    // One of them is never touched: what its share of effort delays is saved, and it waits to the end.
    let least = Infinity;
    let done = 0;
    for (const one of order) {
      const length = weights[one] / rate[one];
      before += weights[one];
      done += length;
      const without = sum - weights[one] * done - length * (all - before);
      least = Math.min(least, without + weights[one] * (spent - length));
    }
    return least;
  }
}

/** Names joined by exclusive or, in two halves of 26 bits. */
function joined(one: number, other: number): number {
  const half = 2 ** 26;
  const high = (Math.floor(one / half) ^ Math.floor(other / half)) >>> 0;
  const low = ((one % half) ^ (other % half)) >>> 0;
  return high * half + low;
}

const nameOf = (list: number[], marks: number[]) => list.reduce((name, one) => joined(name, marks[one]), 0);

function without({ list }: Some, told: number[][]): number[] {
  const gone = new Set(told.flat());
  return list.filter((one) => !gone.has(one));
}
