import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad } from "../../../tests/support/designs";
import type { Design } from "../document/schema";
import { addBoard } from "../edits/boards";
import { linkConnectors, partConnectors } from "./connectors";
import { wiresOf } from "./wires";

/** The pad with some keys moved onto boards of their own. */
function spread(kinds: Record<string, "module" | "loose">, onto: Record<string, string>): Design {
  const boarded = Object.entries(kinds).reduce((d, [id, kind]) => addBoard(d, id, `Board ${id}`, kind), finishedPad());
  const controls = boarded.controls.map((control) =>
    onto[control.id] ? { ...control, placement: { ...control.placement, boardId: onto[control.id] } } : control,
  ) as Design["controls"];
  return { ...boarded, controls };
}

describe("Connectors between boards", () => {
  it("are none where everything lies on one board", () => {
    expect(linkConnectors(finishedPad())).toEqual([]);
    expect(partConnectors(finishedPad())).toEqual([]);
  });

  it("are one for each pair of boards, numbered, with a place for each wire between them", () => {
    const three = spread({ a: "module", b: "module" }, { k1: "a", k2: "a", k9: "b" });
    const links = linkConnectors(three);
    expect(links.map(({ label }) => label)).toEqual(links.map((_, nth) => `J${nth + 1}`));
    expect(new Set(links.map(({ boardIds }) => [...boardIds].sort().join()))).toHaveProperty("size", links.length);
    const between = wiresOf(three).filter(({ phase }) => phase === "links");
    expect(links.flatMap(({ wireKeys }) => wireKeys).sort()).toEqual(between.map(({ key }) => key).sort());
    for (const { pins, wireKeys, boardIds, name } of links) {
      expect(pins.map(({ number }) => number)).toEqual(pins.map((_, nth) => nth + 1));
      pins.forEach(({ net }, nth) => {
        const wire = between.find(({ key }) => key === wireKeys[nth])!;
        expect(net).toBe(wire.net);
        expect([wire.from.boardId, wire.to.boardId].sort()).toEqual([...boardIds].sort());
      });
      expect(name).toMatch(/^J\d+: .+ – .+$/);
    }
  });

  it("of Loom carry every line that both halves share", () => {
    const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
    const [link] = linkConnectors(loom);
    expect(link.name).toBe("J1: Left half – Right half");
    expect(link.pins.map(({ net }) => net)).toEqual([
      ...["R1", "R2", "R3", "R4", "R5", "R6"],
      ...["C7", "C8", "C9", "C10", "C11", "C12"],
    ]);
  });

  it("give each loose part a plug of its own contacts, with where each wire goes", () => {
    const loose = spread({ tray: "loose" }, { k5: "tray", e1: "tray" });
    const plugs = partConnectors(loose);
    expect(plugs.map(({ name }) => name).sort()).toEqual(["E1", "K5"]);
    for (const { pins } of plugs)
      for (const { net, to } of pins) {
        expect(net).not.toBe("");
        expect(to).not.toBe("");
      }
  });
});
