/** What an order costs beside its goods. */
export interface SupplierTerms {
  shipping: number;
  /** Goods for at least so much; what lacks is spent all the same. */
  minimum: number;
}

/** Each part is bought from one supplier. */
export interface SplitProblem {
  suppliers: SupplierTerms[];
  /** By part and supplier: what all of it costs there; null where it is not sold. Each part has at least one. */
  costs: (number | null)[][];
}

export interface Split {
  /** Of each part. */
  supplierOf: number[];
  /** Goods, what lacks to minimums, and shipping. */
  total: number;
  /** No split is cheaper than this. */
  bound: number;
  proof: "optimal" | "gap";
}

const MOST_NODES = 300_000;
const EQUAL = 1e-9;
const CENTS = 100;

/** What a split comes to; suppliers of whom nothing is bought cost nothing. */
export function splitTotal({ suppliers, costs }: SplitProblem, supplierOf: readonly number[]): number {
  const goods = suppliers.map(() => 0);
  supplierOf.forEach((supplier, part) => (goods[supplier] += costs[part][supplier]!));
  const used = new Set(supplierOf);
  return suppliers.reduce(
    (sum, { shipping, minimum }, nth) => sum + (used.has(nth) ? shipping + Math.max(goods[nth], minimum) : 0),
    0,
  );
}

/** Those of whom something is bought, and each part's offers among them, the cheapest first. */
interface Choice {
  suppliers: number[];
  offers: { supplier: number; cost: number }[][];
  shipping: number;
}

function choiceOf({ suppliers, costs }: SplitProblem, mask: number): Choice | null {
  const own = suppliers.flatMap((_, nth) => ((mask >> nth) & 1 ? [nth] : []));
  const offers = costs.map((row) =>
    own
      .flatMap((supplier) => (row[supplier] === null ? [] : [{ supplier, cost: row[supplier] }]))
      .sort((a, b) => a.cost - b.cost),
  );
  if (offers.some((list) => list.length === 0)) return null;
  return { suppliers: own, offers, shipping: own.reduce((sum, nth) => sum + suppliers[nth].shipping, 0) };
}

type Step = { part: number; supplier: number }[];

/** Up to so many parts pairs of them are tried, too. */
const MOST_PAIRED = 40;

/** Every part at every other supplier, and pairs of them. */
function nearby({ offers }: Choice): Step[] {
  const single = offers.flatMap((list, part) =>
    list.length > 1 ? list.map(({ supplier }) => ({ part, supplier })) : [],
  );
  const paired = offers.length > MOST_PAIRED ? [] : single;
  const pairs = paired.flatMap((one) => paired.flatMap((other) => (other.part > one.part ? [[one, other]] : [])));
  return [...single.map((one) => [one]), ...pairs];
}

const ROUNDS = 300;

/**
 * What a minimum order is worth: of a supplier whose minimum is hard to reach, goods that count towards it are cheaper by this share. Lagrangian
 * relaxation of the minimums; any shares from 0 to 1 give a bound, found here by subgradient steps.
 * @returns shares by supplier, and the bound
 */
function worthOf({ suppliers }: SplitProblem, choice: Choice): { worth: number[]; bound: number } {
  const worth = suppliers.map(() => 0);
  let best = { worth: [...worth], bound: -Infinity };
  for (let round = 0; round < ROUNDS; round++) {
    const goods = suppliers.map(() => 0);
    let bound = choice.shipping;
    for (const list of choice.offers) {
      const cheapest = list.reduce((one, other) => (priced(other, worth) < priced(one, worth) ? other : one));
      goods[cheapest.supplier] += cheapest.cost;
      bound += priced(cheapest, worth);
    }
    for (const nth of choice.suppliers) bound += worth[nth] * suppliers[nth].minimum;
    if (bound > best.bound) best = { worth: [...worth], bound };
    const lacking = choice.suppliers.map((nth) => suppliers[nth].minimum - goods[nth]);
    const length = Math.hypot(...lacking);
    if (length < EQUAL) break;
    choice.suppliers.forEach((nth, at) => {
      const step = lacking[at] / length / (1 + round / 10);
      worth[nth] = Math.min(1, Math.max(0, worth[nth] + step));
    });
  }
  return best;
}

const priced = ({ supplier, cost }: { supplier: number; cost: number }, worth: number[]) =>
  (1 - worth[supplier]) * cost;

/** An offer of a part, and how much more than its best one it takes, with minimums at their worth. */
interface Option {
  supplier: number;
  more: number;
}

/** Branch and bound among some suppliers, of all of whom something is bought: parts one after another, those with the clearest choice first. */
class Search {
  readonly bound: number;
  private readonly order: { part: number; options: Option[] }[];
  private readonly supplierOf: number[];

  constructor(
    private readonly problem: SplitProblem,
    private readonly choice: Choice,
    private readonly found: Found,
  ) {
    const { worth, bound } = worthOf(problem, choice);
    this.bound = bound;
    this.supplierOf = choice.offers.map(([{ supplier }]) => supplier);
    this.order = choice.offers
      .map((list, part) => {
        const best = Math.min(...list.map((one) => priced(one, worth)));
        const options = list.map((one) => ({ supplier: one.supplier, more: priced(one, worth) - best }));
        return { part, options: options.sort((a, b) => a.more - b.more) };
      })
      .sort((a, b) => (b.options[1]?.more ?? Infinity) - (a.options[1]?.more ?? Infinity) || a.part - b.part);
  }

  /** From every part where it is best on: one is bought elsewhere, or two are, as long as that makes it cheaper. */
  improve(): void {
    const { problem, choice } = this;
    const now = [...this.supplierOf];
    for (const { part, options } of this.order) now[part] = options[0].supplier;
    let total = splitTotal(problem, now);
    for (let again = true; again;) {
      again = false;
      for (const move of nearby(choice)) {
        const before = move.map(({ part, supplier }) => [part, now[part], supplier] as const);
        for (const [part, , supplier] of before) now[part] = supplier;
        const next = splitTotal(problem, now);
        if (next < total - EQUAL) {
          total = next;
          again = true;
        } else for (const [part, was] of before) now[part] = was;
      }
    }
    this.found.offer(problem, now);
  }

  run(): void {
    this.descend(0, this.bound);
  }

  /** @param bound of all splits with the parts decided so far */
  private descend(depth: number, bound: number): void {
    if (this.found.isNoBetter(bound) || this.found.isOver(bound)) return;
    if (depth === this.order.length) return this.found.offer(this.problem, this.supplierOf);
    const { part, options } = this.order[depth];
    for (const { supplier, more } of options) {
      this.supplierOf[part] = supplier;
      this.descend(depth + 1, bound + more);
    }
  }
}

/** The best split so far, and what was left unsearched. */
class Found {
  supplierOf: number[] = [];
  total = Infinity;
  private left = Infinity;
  private nodes = 0;
  /** Where all is in whole cents, a total between two of them is none. */
  private readonly step: number;

  constructor({ suppliers, costs }: SplitProblem) {
    const all = [...costs.flat(), ...suppliers.flatMap(({ shipping, minimum }) => [shipping, minimum])];
    const isWhole = all.every((one) => one === null || Math.abs(one * CENTS - Math.round(one * CENTS)) < 1e-6);
    this.step = isWhole ? 1 / CENTS : 0;
  }

  offer(problem: SplitProblem, supplierOf: readonly number[]): void {
    const total = splitTotal(problem, supplierOf);
    if (total < this.total - EQUAL) Object.assign(this, { supplierOf: [...supplierOf], total });
  }

  isNoBetter(bound: number): boolean {
    return bound > this.total - (this.step || 2 * EQUAL) + EQUAL;
  }

  /** Whether enough was looked at; then this is left out. */
  isOver(bound: number): boolean {
    if (++this.nodes <= MOST_NODES) return false;
    this.left = Math.min(this.left, bound);
    return true;
  }

  get bound(): number {
    return Math.min(this.total, this.left);
  }
}

/**
 * The cheapest split of parts over suppliers with shipping and minimum orders: every set of suppliers is looked at, the most promising first; within one,
 * branch and bound over the parts. Exact but where the search is cut off, which `proof` tells.
 * @param problem up to 8 suppliers
 */
export function splitOrders(problem: SplitProblem): Split {
  if (problem.costs.length === 0) return { supplierOf: [], total: 0, bound: 0, proof: "optimal" };
  const sets = 1 << problem.suppliers.length;
  const choices = Array.from({ length: sets - 1 }, (_, nth) => choiceOf(problem, nth + 1)).flatMap((one) => one ?? []);
  const found = new Found(problem);
  const searches = choices.map((choice) => new Search(problem, choice, found)).sort((a, b) => a.bound - b.bound);
  for (const search of searches) if (!found.isNoBetter(search.bound)) search.improve();
  for (const search of searches) if (!found.isNoBetter(search.bound)) search.run();
  const { supplierOf, total, bound } = found;
  return { supplierOf, total, bound, proof: found.isNoBetter(bound) ? "optimal" : "gap" };
}
