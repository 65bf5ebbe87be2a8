import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { wireAs } from "@/core/edits/wiring";
import { recordScript } from "@/core/engine/script";
import type { SimulationEvent } from "@/core/engine/simulate";
import { simulate } from "@/core/engine/simulate";
import type { Design } from "@/core/document/schema";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { onSmallClass } from "./onSmallClass";
import { barePython, onBoard, onPythonClass, playPython, unpackPython } from "./python";
import { buildUsbHost, imageFiles, inAnyOrder, later, recordContacts, recordOnChip } from "./usbChip";

/** A device that plays, and whose lamps show what is played to it on channel 3; and one with digits too, which no finished image takes beside. */
const LAMPS = `notes from the computer: channel 3, note 60, controller 20
key A: note 36 100 3
lamp L1: told 1
lamp L2: told 64
lamp L3: value 1 100
lamp L4: value 8 255
at 0 press A`;
const plain = readExample(LAMPS).design;
const panel = readExample(`${LAMPS}\nsegments D: 4\nshow D: value 3 from 0 to 255`).design;

const hex = (byte: number) => byte.toString(16).padStart(2, "0");
const value = fc.oneof(fc.integer({ min: 0, max: 127 }), fc.constantFrom(0, 63, 64, 127));
/** Messages that it shows, and any others: channels, kinds, notes. */
const shown = fc.oneof(
  fc.tuple(fc.constantFrom(0x92, 0x82), fc.constantFrom(60, 123, 61, 59, 124), value),
  fc.tuple(fc.constant(0xb2), fc.constantFrom(20, 22, 27, 19, 28, 123), value),
);
const any = fc.tuple(fc.integer({ min: 0x80, max: 0xef }), value, value);
const message = fc
  .oneof({ weight: 3, arbitrary: shown }, { weight: 1, arbitrary: any })
  .map(([status, first, second]) =>
    [status, first, second]
      .slice(0, (status & 0xe0) === 0xc0 ? 2 : 3)
      .map(hex)
      .join(""),
  );
const usesOf = (count: number, seed: number): SimulationEvent[][] =>
  fc
    .sample(fc.array(message, { minLength: 5, maxLength: 30 }), { numRuns: count, seed })
    .map((all) => all.map((heard, nth) => ({ atMs: 10 + 3 * nth, action: "hear" as const, heard })));

function recorded(design: Design, count: number) {
  const runs = usesOf(count, 4).map((events) => {
    const run = recordScript(design, { events, untilMs: 20 + 3 * events.length });
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    return run.value;
  });
  return {
    script: runs.map(({ script }) => script).join(""),
    expected: runs.map(({ expected }) => expected).join(""),
  };
}

const folder = workFolder();

describe("what the computer plays to a device", () => {
  const many = recorded(panel, 400);

  it("shows much", () => expect(many.expected.match(/ (lamp|segments) /g)!.length).toBeGreaterThan(2000));

  it.each(["gcc", "clang"] as const)("is shown the same when built by %s", (compiler) => {
    const { output } = play(buildNative(compiler, panel, folder), [], many.script);
    expect(firstDifference(output, many.expected)).toBeNull();
  });

  it("is shown the same on the simulated 8-bit core", () => {
    const few = recorded(panel, 80);
    const { output } = play(buildSimulator(), [buildAvr(panel, folder).binary], few.script);
    expect(firstDifference(output, few.expected)).toBeNull();
  });

  it("is shown the same in Python, and through the ports of a board", async () => {
    const there = onPythonClass(panel);
    const some = recorded(there, 60);
    expect(firstDifference(playPython(await barePython(there), some.script).output, some.expected)).toBeNull();
    const runs = usesOf(20, 9).map((events) => recordContacts(there, { events, untilMs: 40 + 3 * events.length }));
    const { output } = onBoard(there, await unpackPython(there), runs.map(({ script }) => script).join(""));
    expect(firstDifference(output, runs.map(({ expected }) => expected).join(""))).toBeNull();
  });

  it("is shown the same over USB on the simulated chip", () => {
    const keys = plain.controls.flatMap(({ id, kind }) => (kind === "key" ? [`${id}:press`] : []));
    const reportSet = { ...plain.reportSet, interfaces: ["keyboard" as const, "music" as const] };
    const design = onSmallClass({ ...wireAs(plain, "matrix", keys), reportSet });
    const runs = usesOf(100, 7).map((events) =>
      recordOnChip(design, later({ events, untilMs: 40 + 3 * events.length })),
    );
    const expected = runs.map((run) => run.expected).join("");
    expect(expected.match(/ (lamp|segments) /g)!.length).toBeGreaterThan(100);
    const script = runs.map((run) => run.script).join("");
    const { output } = play(buildUsbHost(), imageFiles(design, folder), script);
    expect(firstDifference(inAnyOrder(output), inAnyOrder(expected))).toBeNull();
  });
});

describe("a device that hears", () => {
  const run = (design: Design, heard: string | undefined) =>
    simulate(design, { events: [{ atMs: 5, action: "hear", ...(heard === undefined ? {} : { heard }) }], untilMs: 20 });

  it.each([undefined, "3c3c7f", "903c", "f03c7f", "903c80", "90"])("is told what no message is: %s", (heard) => {
    const told = run(panel, heard);
    expect(told.ok).toBe(heard === "903c" ? true : false);
  });

  it("is none without notes of its own, and none where it plays no music", () => {
    const deaf = { ...panel, reportSet: { ...panel.reportSet, panel: { flags: [], values: [] } } };
    const silent = { ...panel, reportSet: { ...panel.reportSet, interfaces: ["keyboard" as const] } };
    for (const design of [deaf, silent]) {
      const told = run(design, "903c7f");
      expect(told.ok ? "" : told.problems[0].message).toBe("the device hears no notes");
    }
  });
});

describe("a packet that is no event of the first cable", () => {
  // USB MIDI 1.0, section 4: cable and kind in the first byte, and a kind for each status; MIDI 1.0: values have seven bits.
  const wrong = ["19923c7f", "08923c7f", "00923c7f", "0992bc7f", "09923cff", "0b92147f"];
  const script = (packets: string[]) =>
    [...packets.map((one, nth) => `${10 + nth} heard ${one}`), "40 end", ""].join("\n");

  it.each(["gcc", "clang"] as const)("changes nothing when built by %s", (compiler) => {
    const binary = buildNative(compiler, plain, folder);
    expect(play(binary, [], script(wrong)).output).not.toMatch(/lamp \d 1/);
    expect(play(binary, [], script(["09923c7f"])).output).toContain("10 lamp 0 1");
  });
});
