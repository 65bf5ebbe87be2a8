import { describe, expect, it } from "vitest";
import { chainOf, elementIds, rowOf } from "../../../tests/support/litRows";
import type { LightChain } from "../circuits/lightChain";
import type { Design } from "../document/schema";
import { setBus } from "../edits/buses";
import { changeControl } from "../edits/controls";
import { changeCircuit, wireAs } from "../edits/wiring";
import { derive } from "../derived/derive";
import { busChecks } from "./pullUps";
import { signalsOf } from "./signals";
import { dividerFor, fastestHz, waysFor } from "./ways";

const wired = (
  kind: "display" | "radio" | "segments",
  circuit: "bus-displays" | "spi-radio" | "segment-chain",
  count: number,
  profileId: string,
) => {
  const design = rowOf(kind, count, profileId);
  return wireAs(design, circuit, elementIds(design));
};

describe("a signal between voltages", () => {
  it("of 3.3 V is too low for lights on 5 V, and fits behind a shifter, a diode, or on the logic's own voltage", () => {
    const chain = chainOf(4, "dual-core-3v3-26");
    const verdict = (change: Partial<LightChain>) =>
      signalsOf(changeCircuit<LightChain>(chain, "lights", change)).map((signal) => signal.verdict);
    expect(verdict({})).toEqual(["too low"]);
    expect(verdict({ shifted: true })).toEqual(["fits"]);
    expect(verdict({ feed: "diode" })).toEqual(["fits"]);
    expect(verdict({ feed: "logic" })).toEqual(["fits"]);
  });

  it("of 5 V fits lights on 5 V, and is stood by a radio's inputs", () => {
    expect(signalsOf(chainOf(4)).map(({ verdict }) => verdict)).toEqual(["fits"]);
    const radio = signalsOf(wired("radio", "spi-radio", 1, "small-5v-18"));
    expect(radio.every(({ verdict }) => verdict === "fits")).toBe(true);
    expect(radio.some(({ driver }) => driver === "radio module")).toBe(true);
  });

  it("of three lines to a segment driver wants a shifter", () => {
    const low = signalsOf(wired("segments", "segment-chain", 2, "dual-core-3v3-26"));
    expect(low.map(({ verdict }) => verdict)).toEqual(["too low", "too low", "too low"]);
  });
});

describe("ways across", () => {
  const down = { driverV: 5, highV: 4.8, receiverV: 3.3, needsHighV: 2.31, mostV: 3.8, hz: 4e6, canLower: false };

  it("a divider brings 5 V to just below 3.3 V, and is quick enough where a two-way shifter is not", () => {
    const ways = new Map(waysFor(down).map((way) => [way.id, way]));
    expect(ways.get("direct")!.works).toBe(false);
    expect(ways.get("divider")!.works).toBe(true);
    expect(ways.get("divider")!.highV).toBeLessThanOrEqual(3.3);
    expect(ways.get("open drain")!.works).toBe(false);
    expect(ways.get("buffer")!.works).toBe(true);
    const { ratio, sourceOhm } = dividerFor(5, 3.3)!;
    expect(ratio).toBeLessThanOrEqual(0.66);
    expect(ratio).toBeGreaterThan(0.62);
    expect(ways.get("divider")!.fastestHz).toBe(fastestHz(sourceOhm));
  });

  it("no divider goes up", () => expect(dividerFor(3.3, 5)).toBeNull());

  it("edges are told as 2.2 time constants", () =>
    expect(fastestHz(10_000, 20e-12)).toBeCloseTo(1 / (2 * 2.2 * 2e-7), 3));
});

describe("a two-wire bus", () => {
  const display = wired("display", "bus-displays", 1, "dual-core-3v3-26");
  const [usual] = busChecks(display);

  it("has what is drawn, between what the clock asks and what a part can sink", () => {
    expect(usual.drawnOhm).toBe(4700);
    expect(usual.leastOhm).toBeCloseTo(2900 / 3, 6);
    expect(usual.parts).toBe(2);
  });

  it("shows a chosen pull-up in the netlist's parts", () => {
    const set = setBus(display, 0, { pullUpOhm: 2200 });
    expect(derive(set).shunts.map(({ value }) => value)).toEqual(["2.2 kΩ", "2.2 kΩ"]);
    expect(busChecks(set)[0].wholeOhm).toBe(2200);
  });

  it("counts what modules carry in parallel", () => {
    const own = changeControl(display, "c0", { pullUpOhm: 4700 });
    expect(busChecks(own)[0].wholeOhm).toBeCloseTo(2350, 6);
  });

  it("proposes a value that lies within the limits, for every clock and count", () => {
    for (const count of [1, 2, 8, 20])
      for (const khz of [100, 400] as const)
        for (const pullUpOhm of [undefined, 10_000]) {
          let design: Design = setBus(wired("display", "bus-displays", count, "dual-core-3v3-26"), 0, { khz });
          if (pullUpOhm) design = changeControl(design, "c0", { pullUpOhm });
          const { proposedOhm } = busChecks(design)[0];
          if (proposedOhm === null) continue;
          const [after] = busChecks(setBus(design, 0, { pullUpOhm: proposedOhm }));
          expect(after.wholeOhm).toBeGreaterThanOrEqual(after.leastOhm);
          expect(after.wholeOhm).toBeLessThanOrEqual(after.mostOhm);
        }
  });
});
