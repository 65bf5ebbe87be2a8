import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { moveController } from "../edits/pins";
import { beforeOrder } from "./beforeOrder";
import { findingsOf, toldFinding } from "./check";
import { rules } from "./registry";

describe("before somebody orders", () => {
  it("a finished demo has nothing that could not be undone", () => {
    for (const design of demoDesigns) expect(beforeOrder(findingsOf(design).map(toldFinding)), design.name).toEqual([]);
  });

  it("a module over the switches is told, what only the keymap says is not", () => {
    const kestrel = demoDesigns[0];
    const under = moveController(kestrel, { xMm: 19, yMm: 19, side: "under" });
    const silent = { ...under, keymap: { ...under.keymap, layers: [{ ...under.keymap.layers[0], bindings: {} }] } };
    const all = findingsOf(silent).map(toldFinding);
    expect(all.some(({ stage, severity }) => stage === "keymap" && severity === "warn")).toBe(true);
    const told = beforeOrder(all);
    expect(told.map(({ rule }) => rule)).toContain("layout/controller-covers");
    expect(told.some(({ stage }) => stage === "keymap" || stage === "reports")).toBe(false);
  });

  it("leaves out by name only rules that there are", () => {
    const ids = new Set(rules.map(({ id }) => id));
    const waits = rules.filter(
      ({ id, stage, severity }) =>
        beforeOrder([{ rule: id, stage, severity: severity === "note" ? "warn" : severity }]).length === 0,
    );
    for (const { id } of waits) expect(ids.has(id)).toBe(true);
    expect(waits.filter(({ stage }) => ["layout", "make", "brief"].includes(stage))).toEqual([]);
    expect(
      waits
        .filter(({ stage }) => ["wiring", "pins", "circuits"].includes(stage))
        .map(({ id }) => id)
        .sort(),
    ).toEqual([
      "circuits/asleep-current",
      "circuits/late-scan",
      "circuits/module-clock",
      "circuits/module-frames",
      "circuits/serial-modes",
      "pins/stale",
      "wiring/one-tone",
      "wiring/settle-time",
    ]);
  });
});
