import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ENDPOINTS_THERE_CAN_BE, endpointPlan, mayShare, reportNumber } from "./endpointPlan";
import { type InterfaceKind, interfaceKinds } from "./interfaceKinds";

const ALONE: InterfaceKind[] = ["keyboard", "live", "panel", "music"];

describe("which reports share an endpoint", () => {
  it("is none while there is room for all, in order, music last", () => {
    expect(endpointPlan(["music", "keyboard", "system"], 3)).toEqual([["keyboard"], ["system"], ["music"]]);
    expect(endpointPlan([], 6)).toEqual([]);
  });

  it("is first what is told now and then: the consumer's keys and the system's, before anything that moves", () => {
    const all: InterfaceKind[] = ["keyboard", "consumer", "pointer", "system", "pad", "place"];
    expect(endpointPlan(all, 5)).toEqual([["keyboard"], ["consumer", "system"], ["pointer"], ["pad"], ["place"]]);
    expect(endpointPlan(all, 4)).toEqual([["keyboard"], ["consumer", "system", "place"], ["pointer"], ["pad"]]);
    // By hand: 2 + 220 + 110 and 2,000, beside 2 + 200 + 100 and 2,200.
    expect(endpointPlan(all, 3)).toEqual([["keyboard"], ["consumer", "pointer", "system"], ["pad", "place"]]);
  });

  it("is everything that may, when even that is not enough", () => {
    expect(endpointPlan(["keyboard", "consumer", "live", "system", "panel"], 2)).toEqual([
      ["keyboard"],
      ["consumer", "system"],
      ["live"],
      ["panel"],
    ]);
  });

  const sets = fc.uniqueArray(fc.constantFrom(...interfaceKinds));

  it("leaves out nothing, has nothing twice, keeps alone what must, and takes no more than there are", () =>
    fc.assert(
      fc.property(sets, fc.integer({ min: 1, max: ENDPOINTS_THERE_CAN_BE }), (kinds, most) => {
        const plan = endpointPlan(kinds, most);
        expect(plan.flat().sort()).toEqual([...kinds].sort());
        for (const group of plan) if (group.length > 1) expect(group.every(mayShare)).toBe(true);
        for (const kind of kinds.filter((one) => ALONE.includes(one))) expect(plan).toContainEqual([kind]);
        const fewest = kinds.filter((one) => ALONE.includes(one)).length + (kinds.some(mayShare) ? 1 : 0);
        expect(plan.length).toBe(Math.min(kinds.length, Math.max(most, fewest)));
        if (kinds.includes("music")) expect(plan.at(-1)).toEqual(["music"]);
        for (const group of plan)
          expect(group.map((kind) => reportNumber(group, kind))).toEqual(
            group.length > 1 ? group.map((_, nth) => nth + 1) : [0],
          );
      }),
      { numRuns: 2000 },
    ));

  it("waits least of all ways there are", () => {
    // An independent count: every colouring of the five with so many colours.
    const often = { system: 1, consumer: 2, place: 20, pad: 100, pointer: 110 } as const;
    const kinds = Object.keys(often) as (keyof typeof often)[];
    const waits = (groups: InterfaceKind[][]) =>
      groups.reduce((sum, group) => {
        const each = group.map((kind) => often[kind as keyof typeof often]);
        const total = each.reduce((a, b) => a + b, 0);
        return sum + (total * total - each.reduce((a, b) => a + b * b, 0)) / 2;
      }, 0);
    for (const most of [1, 2, 3, 4]) {
      const colourings = Array.from({ length: most ** 5 }, (_, code) =>
        kinds.map((_kind, nth) => Math.floor(code / most ** nth) % most),
      );
      const least = Math.min(
        ...colourings.map((colours) =>
          waits(Array.from({ length: most }, (_, colour) => kinds.filter((_kind, nth) => colours[nth] === colour))),
        ),
      );
      expect(waits(endpointPlan(kinds, most))).toBe(least);
    }
  });
});
