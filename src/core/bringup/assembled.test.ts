import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { everyNetOf } from "../wires/netlist";
import { wiresOf } from "../wires/wires";
import { keyBlock } from "../../../tests/support/designs";
import { Groups, assembledOf } from "./assembled";
import { FaultyWorld, worldBaseOf } from "./faultyWorld";
import { modelOf } from "./model";

describe.each(shelfDesigns.map((design) => [design.id, design] as const))("%s as it is put together", (_id, design) => {
  const assembled = assembledOf(design);

  it("joins every contact of a net to its beginning, and no net to another", () => {
    const groups = new Groups();
    for (const { a, b } of assembled.bonds.values()) groups.join(a, b);
    for (const { places, root } of assembled.nets.values())
      for (const { metal } of places.values()) if (root !== null) expect(groups.same(metal, root), metal).toBe(true);
    const roots = [...assembled.nets.values()].flatMap(({ root }) => (root === null ? [] : groups.find(root)));
    expect(new Set(roots).size).toBe(roots.length);
  });

  it("has every wire once, and every end of the netlist as a place or a pad", () => {
    const wires = [...assembled.bonds.values()].filter(({ sort }) => sort === "wire" || sort === "track");
    expect(wires.map(({ id }) => id.replace(/\|(wire|track)$/, "")).toSorted()).toEqual(
      wiresOf(design)
        .map(({ key }) => key)
        .toSorted(),
    );
    const diodes = [...assembled.bonds.values()].filter(({ sort }) => sort === "diode").length;
    const named = everyNetOf(design).flatMap(({ pins }) =>
      pins.filter(({ part, end }) => /^D_/.test(part) && end === "A"),
    );
    expect(named.filter(({ part }) => !part.includes("SUPPLY")).length).toBeGreaterThanOrEqual(diodes);
  });

  it("a device without faults is the device that the simulation knows", () => {
    const base = worldBaseOf(assembled);
    expect(new FaultyWorld(base, []).scan).toEqual(base.scan);
    expect(new FaultyWorld(base, []).seenAtRest().size).toBe(0);
  });
});

it("every fault of Tern and Kestrel can be told by some test, and each has words and a place", () => {
  for (const id of ["tern", "kestrel"]) {
    const model = modelOf(shelfDesigns.find((design) => design.id === id)!);
    const told = new Set(model.rows.flatMap(({ others }) => [...others.keys()]));
    model.suspects.forEach((suspect, nth) => {
      expect(told.has(nth), suspect.words).toBe(true);
      expect(suspect.prior).toBeGreaterThan(0);
      expect(suspect.words).not.toMatch(/undefined|null/);
    });
    expect(new Set(model.suspects.map((suspect) => suspect.id)).size).toBe(model.suspects.length);
    expect(new Set(model.trials.map((trial) => trial.id)).size).toBe(model.trials.length);
  }
});

it("nothing wired, nothing placed, no controller: a model without faults to fall over", () => {
  for (const design of [keyBlock(3, 3), { ...keyBlock(1, 1), controls: [] }]) {
    const model = modelOf(design);
    expect(model.suspects).toEqual([]);
    for (const { others } of model.rows) expect(others.size).toBe(0);
  }
});
