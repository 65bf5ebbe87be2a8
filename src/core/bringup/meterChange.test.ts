import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { randomFrom } from "../optimisation/random";
import { FaultyWorld } from "./faultyWorld";
import { meterShows } from "./meterChange";
import { type MeterDeed, readMeter } from "./meterReading";
import { modelOf } from "./model";
import { readingWords } from "./predict";

const designNamed = (id: string) => shelfDesigns.find((one) => one.id === id)!;

const MOST_FAULTS = 500;
/** So many readings of each faulty device; most of them where resistors lie beside each other. */
const READINGS: Record<string, number> = { kestrel: 30, reedling: 20, glasshouse: 12 };

describe("a meter on a device with one fault", () => {
  for (const { id } of shelfDesigns)
    it(`${id}: shows what Kirchhoff's law gives for the device as the fault leaves it`, () => {
      const { base, suspects, trials } = modelOf(designNamed(id));
      const meters = trials.flatMap(({ deed, nets }) => (deed.does === "meter" ? [{ deed, nets }] : []));
      const random = randomFrom(15);
      const sound = new FaultyWorld(base, []);
      const faults = Math.min(suspects.length, MOST_FAULTS);
      const changed = new Set<string>();
      for (let count = 0; count < faults; count++) {
        const nth = Math.floor((count * suspects.length) / faults);
        const { fault, nets: own } = suspects[nth];
        const world = new FaultyWorld(base, [fault]);
        // Any there are, and those on its own nets.
        const near = meters.filter(({ nets }) => nets.some((id) => own.includes(id)));
        for (let at = 0; at < (READINGS[id] ?? 4); at++) {
          const from = at % 2 === 0 || near.length === 0 ? meters : near;
          const { deed } = from[Math.floor(random() * from.length)];
          const words = readingWords(readMeter(world, deed));
          expect(readingWords(meterShows(world, deed)), `${JSON.stringify(fault)} ${JSON.stringify(deed)}`).toBe(words);
          if (words !== readingWords(readMeter(sound, deed))) changed.add(`${fault.kind} ${words === "open"}`);
        }
      }
      if (id === "reedling") expect([...changed]).toEqual(expect.arrayContaining(["short false", "open false"]));
    });

  it("two faults at once are told as well", () => {
    const { base, suspects, trials } = modelOf(designNamed("tern"));
    const deeds = trials.flatMap(({ deed }) => (deed.does === "meter" ? [deed] : []));
    for (let nth = 1; nth < suspects.length; nth++) {
      const world = new FaultyWorld(base, [suspects[nth - 1].fault, suspects[nth].fault]);
      for (const deed of deeds.filter((_, at) => at % 7 === nth % 7))
        expect(readingWords(meterShows(world, deed))).toBe(readingWords(readMeter(world, deed)));
    }
  });

  it("from a piece of metal to itself there is nothing to measure", () => {
    const { base, trials } = modelOf(designNamed("reedling"));
    const deed = trials.flatMap(({ deed }) => (deed.does === "meter" ? [deed] : []))[0];
    const same: MeterDeed = { ...deed, black: deed.red };
    expect(meterShows(new FaultyWorld(base, []), same)).toEqual({ shows: "ohm", ohm: 0 });
  });
});
