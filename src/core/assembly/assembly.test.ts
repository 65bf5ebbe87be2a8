import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns, variantDesigns } from "@demo/index";
import type { BoardWay, Build, SmallPartWay } from "../document/buildSettings";
import { usualBuild } from "../document/buildSettings";
import type { Design } from "../document/schema";
import { randomFrom } from "../optimisation/random";
import { netlistOf } from "../wires/netlist";
import { wiresByHand } from "../wires/wiresByHand";
import { keyBlock, withDiodes } from "../../../tests/support/designs";
import { chooseController } from "../edits/pins";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import { type Assembly, assemblyOf } from "./assembly";
import type { Cover, Reach, Step } from "./step";

const all = [...demoDesigns, ...variantDesigns, ...modularDesigns];

export function madeAs(
  design: Design,
  way: BoardWay,
  smallParts: SmallPartWay,
  module: "soldered" | "socketed",
): Design {
  const build: Build = {
    ...usualBuild,
    boards: Object.fromEntries(design.boards.map(({ id }) => [id, { way, smallParts }])),
    modules: Object.fromEntries(design.controllers.map(({ id }) => [id, module])),
  };
  return { ...design, build };
}

const ways: [BoardWay, SmallPartWay, "soldered" | "socketed"][] = [
  ["hand-wired", "leaded", "soldered"],
  ["hand-wired", "leaded", "socketed"],
  ["made-board", "leaded", "soldered"],
  ["made-board", "surface", "socketed"],
  ["direct", "leaded", "soldered"],
];
const cases = all.flatMap((design) =>
  ways.map((way): [string, string, Design] => [design.name, way.join(", "), madeAs(design, ...way)]),
);

/** A shape drawn out to corners, coarsely, and a point asked by its angles: nothing of the product's own geometry. */
function cornersOf({ shape }: Cover): [number, number][] {
  if ("ring" in shape) return shape.ring.map(({ xMm, yMm }) => [xMm, yMm]);
  const { core, radiusMm } = shape.outline;
  const rim = core.flatMap(({ xMm, yMm }) =>
    Array.from({ length: 24 }, (_, k): [number, number] => [
      xMm + radiusMm * Math.cos((k * Math.PI) / 12),
      yMm + radiusMm * Math.sin((k * Math.PI) / 12),
    ]),
  );
  return hull(rim);
}

/** Gift wrapping. */
function hull(points: [number, number][]): [number, number][] {
  const start = points.reduce((a, b) => (b[0] < a[0] || (b[0] === a[0] && b[1] < a[1]) ? b : a));
  const out: [number, number][] = [];
  let at = start;
  do {
    out.push(at);
    let next = points.find((p) => p[0] !== at[0] || p[1] !== at[1]) ?? at;
    for (const p of points) {
      const turn = (next[0] - at[0]) * (p[1] - at[1]) - (next[1] - at[1]) * (p[0] - at[0]);
      const further = Math.hypot(p[0] - at[0], p[1] - at[1]) > Math.hypot(next[0] - at[0], next[1] - at[1]);
      if (turn < -1e-9 || (Math.abs(turn) <= 1e-9 && further)) next = p;
    }
    at = next;
  } while ((at[0] !== start[0] || at[1] !== start[1]) && out.length <= points.length);
  return out;
}

/** Full turns of the view from a point along a ring: none from outside. */
function surrounds(ring: [number, number][], { at }: Reach): boolean {
  let angle = 0;
  ring.forEach(([x, y], i) => {
    const [u, v] = ring[(i + 1) % ring.length];
    const [a, b, c, d] = [x - at.xMm, y - at.yMm, u - at.xMm, v - at.yMm];
    angle += Math.atan2(a * d - b * c, a * c + b * d);
  });
  return Math.abs(angle) > Math.PI;
}

/** Distance from the rim, for what lies so near to it that it can still be reached. */
function rimMm(ring: [number, number][], { at }: Reach): number {
  return Math.min(
    ...ring.map(([x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length];
      const length = (u - x) ** 2 + (v - y) ** 2 || 1;
      const t = Math.max(0, Math.min(1, ((at.xMm - x) * (u - x) + (at.yMm - y) * (v - y)) / length));
      return Math.hypot(at.xMm - x - t * (u - x), at.yMm - y - t * (v - y));
    }),
  );
}

/** Places that a step needs though an earlier one closed them. */
function closedPlaces({ steps }: Pick<Assembly, "steps">): string[] {
  const closed: { by: Step; cover: Cover; ring: [number, number][] }[] = [];
  return steps.flatMap((step) => {
    const found = step.reaches.flatMap((reach) =>
      closed
        .filter(
          ({ by, cover, ring }) =>
            cover.face === reach.face &&
            cover.boardId === reach.boardId &&
            !by.fits.includes(reach.owner) &&
            surrounds(ring, reach) &&
            rimMm(ring, reach) > 0.6,
        )
        .map(({ by }) => `${step.title}: ${reach.of} lies under what "${by.title}" closed`),
    );
    closed.push(...step.covers.map((cover) => ({ by: step, cover, ring: cornersOf(cover) })));
    return found;
  });
}

describe.each(cases)("the steps of %s, %s", (_name, _way, design) => {
  const assembly = assemblyOf(design);
  const { steps, reasons, order } = assembly;

  it("fit every part of the netlist once, and solder every wire once", () => {
    const fits = steps.flatMap((step) => step.fits);
    expect(new Set(fits).size).toBe(fits.length);
    for (const { pins } of netlistOf(design)) for (const { part } of pins) expect(fits).toContain(part);
    expect(steps.flatMap(({ wires }) => wires).sort()).toEqual(
      wiresByHand(design)
        .map(({ key }) => key)
        .sort(),
    );
  });

  it("have ids and titles of their own, and something to do", () => {
    const ids = steps.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(new Set(steps.map(({ title }) => title)).size).toBe(ids.length);
    for (const { units } of steps) expect(units).toBeGreaterThan(0);
  });

  it("come in an order that obeys every reason, and need nothing that is closed", () => {
    const at = new Map(steps.map(({ id }, nth) => [id, nth]));
    for (const { before, after } of reasons) expect(at.get(before)!).toBeLessThan(at.get(after)!);
    expect(assembly.loops).toEqual([]);
    expect(closedPlaces(assembly)).toEqual([]);
    expect(order.proof).toBe("exact");
  });

  it("tell each caution once, at the first step that it belongs to", () => {
    const told = steps.flatMap(({ cautions }) => cautions);
    expect(new Set(told).size).toBe(told.length);
    if (steps.some(({ tool }) => tool === "iron")) expect(told).toContain("solder");
  });
});

describe("the order that builders learn the hard way", () => {
  const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
  const before = ({ steps }: Assembly, first: RegExp, then: RegExp) => {
    const firsts = steps.flatMap(({ title }, nth) => (first.test(title) ? [nth] : []));
    const thens = steps.flatMap(({ title }, nth) => (then.test(title) ? [nth] : []));
    expect(firsts.length * thens.length).toBeGreaterThan(0);
    expect(Math.max(...firsts)).toBeLessThan(Math.min(...thens));
  };
  const oneBoard = (design: Design): Design => ({ ...design, boards: design.boards.slice(0, 1) });
  const block = chooseController(
    withDiodes(shareOutMatrix(keyBlock(4, 3), "as-laid-out"), "column-to-row"),
    "small-5v-18",
  );

  it("by hand: switches, diodes, rows, columns, leads; measured before loaded, tried before closed, caps last", () => {
    const assembly = assemblyOf(oneBoard(block));
    before(assembly, /^Press in/, /^Bend and solder/);
    before(assembly, /^Bend and solder .* of R1/, /^Run row R1/);
    before(assembly, /^Run row/, /^Run column/);
    before(assembly, /^Run column/, /^Measure supply/);
    before(assembly, /^Measure supply/, /^Load the firmware/);
    before(assembly, /^Load the firmware/, /^Try A1/);
    before(assembly, /^Try A1/, /^Close the case/);
    before(assembly, /^Try A1/, /^Put on/);
    before(assembly, /^Put on/, /^Try everything/);
    // Not by chance: each of these is a reason of its own.
    const title = (id: string) => assembly.steps.find((step) => step.id === id)!.title;
    const told = assembly.reasons.map(({ before: first, after, sort }) => `${title(first)} < ${title(after)}, ${sort}`);
    for (const words of [
      "Measure supply against ground at A1 < Load the firmware into A1, test first",
      "Load the firmware into A1 < Try A1: press 12 inputs, test first",
      "Run row R1 < Run column C1, insulated, crossing",
      "Try A1: press 12 inputs < Close the case, test first",
      "Try A1: press 12 inputs < Close the case, covered",
      "Try A1: press 12 inputs < Put on 12 caps, test first",
      "Put on 12 caps < Try everything once more, closed, joined",
    ])
      expect(told).toContain(words);
  });

  it("on a made board: pads are bridged before a switch hides them, small parts before switches", () => {
    const assembly = assemblyOf(madeAs(oneBoard(block), "made-board", "leaded", "soldered"));
    before(assembly, /^Look over/, /^Solder 12 diodes/);
    before(assembly, /^Solder 12 diodes/, /^Bridge 12 pairs/);
    before(assembly, /^Load the firmware/, /^Bridge 12 pairs/);
    before(assembly, /^Bridge 12 pairs/, /^Press in/);
    before(assembly, /^Press in/, /^Solder 12 ×/);
    before(assembly, /^Lay the plate/, /^Press in/);
    const surface = assemblyOf(madeAs(oneBoard(block), "made-board", "surface", "soldered"));
    before(surface, /^Paste/, /^Press in/);
    before(surface, /^Paste/, /^Solder A1/);
  });

  it("lies on low parts before high ones while it is soldered, and is heated before anything else is on it", () => {
    const named = (id: string) => demoDesigns.find((design) => design.id === id)!;
    const leaded = assemblyOf(madeAs(named("glasshouse"), "made-board", "leaded", "soldered"));
    before(leaded, /^Solder \d+ resistors/, /^Solder MUX_U1/);
    const surface = assemblyOf(madeAs(named("kestrel"), "made-board", "surface", "soldered"));
    before(surface, /^Paste/, /^Screw in .*encoder/);
    const { steps, reasons } = surface;
    const paste = steps.find(({ title }) => title.startsWith("Paste"))!;
    const heated = reasons.filter((reason) => reason.sort === "heat" && reason.before === paste.id);
    expect(heated.length).toBeGreaterThan(3);
    expect(reasons.some((reason) => reason.sort === "heat" && reason.after === paste.id)).toBe(false);
    const lower = assemblyOf(madeAs(named("glasshouse"), "made-board", "leaded", "soldered")).reasons.filter(
      ({ sort }) => sort === "lower first",
    );
    for (const { before: low, after: high } of lower) {
      const height = (id: string) => leaded.steps.find((step) => step.id === id)!.heightMm!;
      expect(height(low)).toBeLessThan(height(high));
    }
    expect(lower.length).toBeGreaterThan(0);
  });

  it("a module under the switches comes after them, or runs in a circle where its pins come out beneath them", () => {
    const under: Design = {
      ...block,
      controllers: block.controllers.map((one) => ({
        ...one,
        side: "under",
        placement: { ...one.placement, xMm: 28, yMm: 19 },
      })),
    };
    const soldered = assemblyOf(madeAs(under, "made-board", "leaded", "soldered"));
    expect(soldered.loops.length).toBeGreaterThan(0);
    expect(soldered.loops[0].reasons.some(({ sort }) => sort === "covered")).toBe(true);
    const socketed = assemblyOf(madeAs(under, "made-board", "leaded", "socketed"));
    expect(socketed.loops).toEqual([]);
    expect(closedPlaces(socketed)).toEqual([]);
    before(socketed, /^Solder the socket rows/, /^Press in/);
    before(socketed, /^Solder 12 ×/, /^Plug in A1/);
    const byHand = assemblyOf(under);
    expect(byHand.loops).toEqual([]);
    before(byHand, /^Run column/, /^Fix A1/);
  });

  it("stabilisers come before the switches that stand over their wires", () => {
    const long: Design = {
      ...loom,
      controls: loom.controls.map((control) =>
        control.kind === "key" && control.placement.boardId === "left" ? { ...control, stabiliser: true } : control,
      ),
    };
    before(assemblyOf(long), /^Fit 32 stabilisers, Left/, /^Press in .* Left/);
  });
});

describe("random devices", () => {
  it.each(Array.from({ length: 40 }, (_, seed) => seed))("need no place that is closed, seed %i", (seed) => {
    const random = randomFrom(seed);
    const base = chooseController(
      withDiodes(
        shareOutMatrix(keyBlock(2 + Math.floor(random() * 4), 1 + Math.floor(random() * 4)), "as-laid-out"),
        "column-to-row",
      ),
      "small-5v-18",
    );
    const moved: Design = {
      ...base,
      controllers: base.controllers.map((one) => ({
        ...one,
        side: random() < 0.6 ? "under" : "top",
        placement: {
          ...one.placement,
          xMm: random() * 90 - 10,
          yMm: random() * 90 - 10,
          rotationDeg: Math.floor(random() * 8) * 45,
        },
      })),
    };
    const design = madeAs(moved, ...ways[Math.floor(random() * ways.length)]);
    const assembly = assemblyOf(design);
    // Where reasons run in a circle the loop says what is closed; everywhere else nothing is.
    if (assembly.loops.length === 0) expect(closedPlaces(assembly)).toEqual([]);
    else expect(assembly.loops.some(({ reasons: circle }) => circle.some(({ sort }) => sort === "covered"))).toBe(true);
  });
});
