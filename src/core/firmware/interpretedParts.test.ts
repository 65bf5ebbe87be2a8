import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns, variantDesigns } from "@demo/index";
import type { Design } from "../document/schema";
import { interpretedParts } from "./interpretedParts";

const on = (design: Design, ...profileIds: string[]): Design => ({
  ...design,
  controllers: design.controllers.map((one, nth) => ({ ...one, profileId: profileIds[nth % profileIds.length] })),
});
const [dunlin] = modularDesigns;

describe("parts in Python", () => {
  it("are told by name, with what the base waits for its modules and how much later these are told", () => {
    const { parts, waitsMs, laterMs, verdict } = interpretedParts(on(dunlin, "dual-core-3v3-26"))!;
    expect(parts.map(({ name }) => name)).toEqual(["Base", "Jog module", "Mark module"]);
    expect(waitsMs).toBeGreaterThan(parts[1].scan.mostMs);
    expect(laterMs).toBeCloseTo(parts[0].scan.mostMs + waitsMs);
    expect(verdict).toBe("slow");
  });

  it("wait longer where a module is slower, whose own scan does not change that of the base", () => {
    const [quick, slow] = [["dual-core-3v3-26"], ["dual-core-3v3-26", "wireless-3v3-20"]].map((ids) =>
      interpretedParts(on(dunlin, ...ids))!,
    );
    expect(slow.waitsMs).toBeGreaterThan(quick.waitsMs);
    expect(slow.parts[0]).toEqual(quick.parts[0]);
  });

  it("on a line wait for nobody", () => {
    const { waitsMs, laterMs, parts } = interpretedParts(on(variantDesigns[0], "dual-core-3v3-26"))!;
    expect(waitsMs).toBe(0);
    expect(laterMs).toBe(parts[0].scan.mostMs);
  });

  it("are none where there is one controller, or one is missing", () => {
    expect(interpretedParts(demoDesigns[0])).toBeNull();
    expect(interpretedParts(on(dunlin, "dual-core-3v3-26", "no such class"))).toBeNull();
  });
});
