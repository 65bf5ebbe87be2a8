import { describe, expect, it } from "vitest";
import { scanTableOf } from "@/core/firmware/scanTable";
import { pinsHeader } from "@/core/targets/archiveFiles";
import { endpointPlanOf } from "@/core/firmware/endpoints";
import type { Design } from "@/core/document/schema";
import { simulate } from "@/core/engine/simulate";
import { wireAs } from "@/core/edits/wiring";
import { readExample } from "./examples";
import { sameInEveryBuild } from "./inEveryBuild";
import { onSmallClass } from "./onSmallClass";
import { ask, buildUsbHost, imageFiles } from "./usbChip";
import { workFolder } from "./builds";

const atMost = (design: Design, endpointsMost: number): Design => ({
  ...design,
  reportSet: {
    ...design.reportSet,
    interfaces: design.reportSet.interfaces.filter((kind) => kind !== "live"),
    endpointsMost,
  },
});

/** Everything that may share an endpoint, on two of them beside the keyboard's. */
const crowded = atMost(
  readExample(`key A: KeyA
key B: consumer e9
key C: move right at 1000 after 0
key D: button 1
key E: system sleep
key F: pad button 1
key G: hat up
key H: place 25 50
key I: hold 2
key J: consumer ea | KeyJ | tap 150
layer 2: A = place 100 0
layer 2: B = pad button 3
pad 4 buttons, 8 bits
at 0 press A`).design,
  3,
);

describe("reports that share an endpoint", () => {
  it("are as planned", () =>
    expect(endpointPlanOf(crowded)).toEqual([["keyboard"], ["consumer", "pointer", "system"], ["place", "pad"]]));

  sameInEveryBuild({
    design: crowded,
    told: "pad",
    least: 800,
    leastOverUsb: 60,
    uses: 300,
    usesOnCore: 60,
    usesOnChip: 30,
    interfaces: ["keyboard", "consumer", "pointer", "system", "pad", "place"],
  });

  it("are handed out as one descriptor, with the number of each", () => {
    const header = pinsHeader(scanTableOf(crowded), crowded);
    const bytes = (name: string) =>
      Uint8Array.from(new RegExp(`#define ${name} \\{(.*)\\}`).exec(header)![1].split(", "), Number);
    const numbers = [...header.matchAll(/#define OV_NUMBER_(\w+) (\d+)/g)].map(([, kind, number]) => [kind, number]);
    expect(numbers).toEqual([
      ["CONSUMER", "1"],
      ["POINTER", "2"],
      ["SYSTEM", "3"],
      ["PLACE", "1"],
      ["PAD", "2"],
    ]);
    // Report IDs by USB HID 1.11, section 6.2.2.7: an item of one byte, 85.
    const ids = (name: string) => [...bytes(name)].flatMap((byte, at, all) => (byte === 0x85 ? [all[at + 1]] : []));
    expect(ids("OV_DESCRIPTOR_CONSUMER_POINTER_SYSTEM")).toEqual([1, 2, 3]);
    expect(ids("OV_DESCRIPTOR_PLACE_PAD")).toEqual([1, 2]);
    expect(ids("OV_DESCRIPTOR_KEYBOARD")).toEqual([]);
  });

  it("take turns: of one that has something to say in each millisecond and two that have in every other, none is left out", () => {
    const set = (name: string, value: (nth: number) => number) =>
      Array.from({ length: 120 }, (_, nth) => `at ${30 + nth} set ${name} ${value(nth)}`);
    const example = `key A: move right at 1000 after 0
stick S
axis S x: plain
pot P
axis P: plain
pad 0 buttons, 16 bits
use S x: pad x
use P: place across
at 10 press A
${[...set("S x", (nth) => nth - 60), ...set("P", (nth) => 100 - (nth >> 1))].join("\n")}`;
    const { design: plain, events } = readExample(example);
    const design = atMost(plain, 2);
    expect(endpointPlanOf(design).at(-1)!.sort()).toEqual(["consumer", "pad", "place", "pointer"]);
    const run = simulate(design, { events, untilMs: 150 });
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    const told = run.value.reports.filter(({ atMs }) => atMs >= 60 && atMs < 150);
    const of = (kind: string) => told.filter((one) => one.interface === kind).length;
    expect(new Set(told.map(({ atMs }) => atMs)).size).toBe(told.length);
    for (const kind of ["pointer", "pad", "place"]) {
      expect(of(kind)).toBeGreaterThanOrEqual(22);
      expect(of(kind)).toBeLessThanOrEqual(45);
    }
  });

  it("are asked for by their numbers on the chip, and idle by them", () => {
    const keys = crowded.controls.map(({ id }) => `${id}:press`);
    const small = onSmallClass({
      ...wireAs(crowded, "matrix", keys),
      reportSet: { ...crowded.reportSet, interfaces: ["keyboard", "consumer", "pointer", "system", "pad", "place"] },
    });
    const folder = workFolder();
    const answers = ask(buildUsbHost(), imageFiles(small, folder), [
      "a1 01 02 01 01 00 05 00", // input report 2 of interface 1, five bytes of it: the pointer's
      "a1 01 03 01 01 00 40 00", // 3: the system's
      "a1 01 00 01 01 00 40 00", // there is none without a number
      "a1 01 04 01 01 00 40 00", // nor a fourth
      "a1 01 00 01 00 00 40 00", // the keyboard has none
      "21 0a 02 05 01 00 00 00", // number 2 of interface 1 is told every 20 ms
      "a1 02 02 00 01 00 01 00",
      "a1 02 03 00 01 00 01 00",
      "21 0a 00 07 01 00 00 00", // all of them
      "a1 02 02 00 01 00 01 00",
      "a1 02 03 00 01 00 01 00",
      "a1 02 00 00 00 00 01 00",
    ]);
    expect(answers).toEqual([
      "0200000000", // the number, then the pointer's five bytes without the last
      "0300",
      "stall",
      "stall",
      "0000000000000000",
      "",
      "05",
      "00",
      "",
      "07",
      "07",
      "00",
    ]);
  });
});
