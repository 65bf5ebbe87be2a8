import { describe, expect, it } from "vitest";
import { randomFrom } from "../optimisation/random";
import { withoutLoops } from "./loops";
import { CHANGE, type Ordered, TURN, orderSteps } from "./orderSteps";
import type { Reason, ReasonSort, Tool } from "./step";

const because = (before: string, after: string, sort: ReasonSort = "joined"): Reason => ({
  before,
  after,
  sort,
  words: "",
});

interface Problem {
  steps: Ordered[];
  reasons: Reason[];
}

/** Steps in two or three places with two or three tools, some of which do not care; reasons lead forward only. */
function drawn(seed: number, most: number): Problem {
  const random = randomFrom(seed);
  const of = <T>(list: T[]): T => list[Math.floor(random() * list.length)];
  const steps = Array.from({ length: 2 + Math.floor(random() * (most - 1)) }, (_, nth): Ordered => ({
    id: `s${nth}`,
    lies: of(["front", "back", "other", null]),
    tool: of<Tool | null>(["iron", "meter", "driver", null]),
  }));
  const density = random() * 0.6;
  const reasons = steps.flatMap((_, a) =>
    steps.flatMap((__, b) => (a < b && random() < density ? [because(`s${a}`, `s${b}`)] : [])),
  );
  return { steps: steps.sort(() => random() - 0.5), reasons };
}

/** Turns and changes on the way through steps in this order, counted one by one. */
function counted(ids: string[], { steps }: Problem): number {
  let [lies, tool, cost] = ["", "", 0];
  for (const id of ids) {
    const step = steps.find((one) => one.id === id)!;
    if (step.lies !== null) {
      if (lies !== "" && lies !== step.lies) cost += TURN;
      lies = step.lies;
    }
    if (step.tool !== null) {
      if (tool !== "" && tool !== step.tool) cost += CHANGE;
      tool = step.tool;
    }
  }
  return cost;
}

/** The least over every order that obeys the reasons. */
function leastOfAll(problem: Problem): number {
  let least = Infinity;
  const go = (done: string[]) => {
    if (done.length === problem.steps.length) {
      least = Math.min(least, counted(done, problem));
      return;
    }
    for (const { id } of problem.steps)
      if (!done.includes(id) && problem.reasons.every(({ before, after }) => after !== id || done.includes(before)))
        go([...done, id]);
  };
  go([]);
  return least;
}

const obeys = (ids: string[], reasons: Reason[]) =>
  reasons.every(({ before, after }) => ids.indexOf(before) < ids.indexOf(after));

describe("the order of steps", () => {
  it.each(Array.from({ length: 300 }, (_, seed) => seed))("is the best of all orders there are, seed %i", (seed) => {
    const problem = drawn(seed, 7);
    const order = orderSteps(problem.steps, problem.reasons);
    expect([...order.ids].sort()).toEqual(problem.steps.map(({ id }) => id).sort());
    expect(obeys(order.ids, problem.reasons)).toBe(true);
    expect(order.cost).toBe(counted(order.ids, problem));
    expect(order.cost).toBe(TURN * order.turns + CHANGE * order.changes);
    expect(order).toMatchObject({ proof: "exact", bound: order.cost });
    expect(order.cost).toBe(leastOfAll(problem));
  });

  it.each(Array.from({ length: 60 }, (_, seed) => seed))("is cut short with a bound that holds, seed %i", (seed) => {
    const problem = drawn(1000 + seed, 7);
    const best = leastOfAll(problem);
    for (const most of [0, 1, 2]) {
      const order = orderSteps(problem.steps, problem.reasons, most);
      expect(obeys(order.ids, problem.reasons)).toBe(true);
      expect(order.cost).toBe(counted(order.ids, problem));
      expect(order.cost).toBeGreaterThanOrEqual(best);
      expect(order.bound).toBeLessThanOrEqual(best);
    }
  });

  it("takes nothing, one step, and two hundred", () => {
    expect(orderSteps([], [])).toMatchObject({ ids: [], cost: 0, proof: "exact" });
    expect(orderSteps([{ id: "__proto__", lies: null, tool: null }], []).ids).toEqual(["__proto__"]);
    const { steps } = drawn(7, 200);
    const order = orderSteps(steps, []);
    expect(order.ids.length).toBe(steps.length);
    // Without reasons each place and each tool is taken up once.
    expect(order.proof).toBe("exact");
  });
});

/** Whether reasons run in a circle: by taking away, again and again, whatever nothing comes before. */
function hasCircle(ids: string[], reasons: Reason[]): boolean {
  let left = new Set(ids);
  for (;;) {
    const free = [...left].filter((id) => !reasons.some(({ before, after }) => after === id && left.has(before)));
    if (free.length === 0) return left.size > 0;
    left = new Set([...left].filter((id) => !free.includes(id)));
  }
}

describe("reasons that run in a circle", () => {
  it.each(Array.from({ length: 200 }, (_, seed) => seed))(
    "are told, and given up until there is an order, seed %i",
    (seed) => {
      const random = randomFrom(seed);
      const ids = Array.from({ length: 2 + Math.floor(random() * 7) }, (_, nth) => `s${nth}`);
      const sorts: ReasonSort[] = ["lower first", "covered", "joined"];
      const all = ids.flatMap((a) =>
        ids.flatMap((b) => (a !== b && random() < 0.25 ? [because(a, b, sorts[Math.floor(random() * 3)])] : [])),
      );
      const { reasons, loops } = withoutLoops(ids, all);
      expect(hasCircle(ids, reasons)).toBe(false);
      expect(loops.length > 0).toBe(hasCircle(ids, all));
      for (const { reasons: circle, given } of loops) {
        circle.forEach((reason, nth) => expect(reason.after).toBe(circle[(nth + 1) % circle.length].before));
        expect(circle).toContain(given);
        expect(all).toContain(given);
      }
      for (const reason of reasons) expect(all).toContain(reason);
    },
  );

  it("tells the shortest circle first", () => {
    const long = ["a", "b", "c", "d"].map((id, nth, all) => because(id, all[(nth + 1) % 4]));
    const short = [because("c", "e"), because("e", "c")];
    const { loops } = withoutLoops(["a", "b", "c", "d", "e"], [...long, ...short]);
    expect(loops.map(({ reasons }) => reasons.length)).toEqual([2, 4]);
  });

  it("gives up what matters least", () => {
    const all = [because("a", "b", "joined"), because("b", "c", "lower first"), because("c", "a", "covered")];
    const { loops, reasons } = withoutLoops(["a", "b", "c"], all);
    expect(loops.map(({ given }) => given)).toEqual([all[1]]);
    expect(reasons).toEqual([all[0], all[2]]);
  });
});
