import { describe, expect, it } from "vitest";
import { keyBlock } from "../../../tests/support/designs";
import { derive } from "../derived/derive";
import { changeCircuit, wireAs } from "../edits/wiring";
import type { Design } from "../document/schema";
import { type ExpanderCircuit, addressOf } from "./expander";
import { GROUND, SUPPLY } from "./net";

const block = keyBlock(4, 3);

const switches = (design: Design) =>
  [...derive(design).elements.values()].filter(({ kind }) => kind === "switch").map(({ id }) => id);
const wired = (kind: "expander" | "input-registers") => wireAs(block, kind, switches(block));
const chipsOf = (design: Design) => derive(design).builtCircuits.flatMap(({ chips }) => chips);

describe("addresses of expanders", () => {
  const of = (addresses: number[]) =>
    [0, 1, 2].map((nth) => addressOf({ addresses } as Pick<ExpanderCircuit, "addresses"> as ExpanderCircuit, nth));
  it("count on from the last one given, and round at eight", () => {
    expect(of([])).toEqual([0, 1, 2]);
    expect(of([5])).toEqual([5, 6, 7]);
    expect(of([3, 7])).toEqual([3, 7, 0]);
  });

  it.each([0, 1, 2, 4, 5, 7])("are strapped bit by bit: %i", (address) => {
    const design = wired("expander");
    const { id } = design.circuits.find(({ kind }) => kind === "expander")!;
    const [chip] = chipsOf(changeCircuit<ExpanderCircuit>(design, id, { addresses: [address] }));
    const straps = ["A0", "A1", "A2"].map((name) => chip.terminals.find((one) => one.name === name)!.netId);
    expect(straps).toEqual([1, 2, 4].map((bit) => (address & bit ? SUPPLY : GROUND)));
  });
});

describe("inputs of a register", () => {
  it("lead to a contact or to ground; none is left open", () => {
    const count = switches(block).length;
    const inputs = chipsOf(wired("input-registers")).flatMap(({ terminals }) =>
      terminals.filter(({ name }) => /^[A-H]$/.test(name)),
    );
    expect(inputs.length % 8).toBe(0);
    expect(inputs.filter(({ netId }) => netId === GROUND)).toHaveLength(inputs.length - count);
    expect(inputs.filter(({ netId }) => netId === null)).toEqual([]);
  });
});
