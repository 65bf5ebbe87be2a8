import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PANEL } from "@/core/contract/panel";
import { readPanelLine } from "@/core/hid/panelLine";
import { recordScript } from "@/core/engine/script";
import type { SimulationEvent } from "@/core/engine/simulate";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { wireAs } from "@/core/edits/wiring";
import { onSmallClass } from "./onSmallClass";
import { barePython, onBoard, onPythonClass, playPython, unpackPython } from "./python";
import { buildUsbHost, imageFiles, inAnyOrder, later, recordContacts, recordOnChip } from "./usbChip";

/** Lamps that show flags and values, a segment display and lights that do. */
const panel = readExample(`lines over a serial port
key A: KeyA
lamp L1: told 1
lamp L2: told 64
lamp L3: value 1 100
lamp L4: value 8 255
segments D: 4
show D: value 3 from 0 to 255
at 0 press A`).design;

/** Lines as programs write them, spoilt ones, and bytes of any kind. */
const word = fc.constantFrom("flag", "value", "values", "Flag", "v", "", " ");
const number = fc.oneof(
  fc.integer({ min: 0, max: 300 }).map(String),
  fc.constantFrom("01", "0", "1000", "-1", "1.5", "64", "8"),
);
/** Of what the panel shows. */
const shown = fc
  .tuple(fc.constantFrom("flag 1", "flag 64", "value 1", "value 3", "value 8"), fc.integer({ min: 0, max: 255 }))
  .map(([what, to]) => `${what} ${what.startsWith("flag") ? to & 1 : to}`);
/** At the edges of what is a line. */
const EDGES = [
  "flag 1 2",
  "flag 0 1",
  "value 0 9",
  "value 1 0200",
  "value 1 256",
  "value 01 200",
  "value 1 ",
  "flag  1 1",
  "value  200",
  "flag 65 1",
];
const line = fc.oneof(
  { weight: 1, arbitrary: fc.constantFrom(...EDGES) },
  { weight: 3, arbitrary: shown },
  {
    weight: 3,
    arbitrary: fc
      .tuple(fc.constantFrom("flag", "value"), fc.integer({ min: 1, max: 64 }), fc.integer({ min: 0, max: 255 }))
      .map((all) => all.join(" ")),
  },
  { weight: 2, arbitrary: fc.tuple(word, number, number).map((all) => all.join(" ")) },
  { weight: 1, arbitrary: fc.string({ minLength: 1, maxLength: 40 }) },
);
const usesOf = (count: number, seed: number): SimulationEvent[][] =>
  fc
    .sample(fc.array(line, { minLength: 1, maxLength: 30 }), { numRuns: count, seed })
    .map((lines) => lines.map((text, nth) => ({ atMs: 10 + 3 * nth, action: "line" as const, line: text })));

function recorded(design: typeof panel, count: number) {
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

describe("lines over a serial port in every build", () => {
  const many = recorded(panel, 400);

  it("show much", () => expect(many.expected.match(/ (lamp|segments) /g)!.length).toBeGreaterThan(1500));

  it.each(["gcc", "clang"] as const)("show the same when built by %s", (compiler) => {
    const { output } = play(buildNative(compiler, panel, folder), [], many.script);
    expect(firstDifference(output, many.expected)).toBeNull();
  });

  it("show the same on the simulated 8-bit core", () => {
    const few = recorded(panel, 80);
    const { output } = play(buildSimulator(), [buildAvr(panel, folder).binary], few.script);
    expect(firstDifference(output, few.expected)).toBeNull();
  });

  it("show the same in Python, and through the pins of a board whose serial port it is", async () => {
    const there = onPythonClass(panel);
    const some = recorded(there, 60);
    expect(firstDifference(playPython(await barePython(there), some.script).output, some.expected)).toBeNull();
    const runs = usesOf(20, 9).map((events) => recordContacts(there, { events, untilMs: 40 + 3 * events.length }));
    const { output } = onBoard(there, await unpackPython(there), runs.map(({ script }) => script).join(""));
    expect(firstDifference(output, runs.map(({ expected }) => expected).join(""))).toBeNull();
  });
});

describe("lines over a serial port of the finished image", () => {
  const keys = panel.controls.flatMap(({ id, kind }) => (kind === "key" ? [`${id}:press`] : []));
  const reportSet = { ...panel.reportSet, interfaces: ["keyboard" as const] };
  const design = onSmallClass({ ...wireAs(panel, "matrix", keys), reportSet });

  it("show the same over USB on the simulated chip, packet by packet", () => {
    const runs = usesOf(120, 7).map((events) =>
      recordOnChip(design, later({ events, untilMs: 40 + 3 * events.length })),
    );
    const script = runs.map((run) => run.script).join("");
    const expected = runs.map((run) => run.expected).join("");
    expect(expected.match(/ (lamp|segments) /g)!.length).toBeGreaterThan(150);
    const { output } = play(buildUsbHost(), imageFiles(design, folder), script);
    expect(firstDifference(inAnyOrder(output), inAnyOrder(expected))).toBeNull();
  });
});

describe("a line over a serial port", () => {
  /** What a lamp that shows the first flag does, and one at the first value from 1 on. */
  const own = readExample(`lines over a serial port
key A: KeyA
lamp F: told 1
lamp V: value 1 1
at 0 press A`).design;
  const litBy = (text: string) => {
    const run = recordScript(own, { events: [{ atMs: 10, action: "line", line: text }], untilMs: 20 });
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    return [0, 1].filter((lamp) => run.value.expected.includes(`lamp ${lamp} 1`));
  };

  it("is understood by the device as the program reads it", () =>
    fc.assert(
      fc.property(line, (text) => {
        const read = readPanelLine(text);
        const lamps = read === null || read.nth !== 0 || read.to === 0 ? [] : [read.of === "flags" ? 0 : 1];
        expect(litBy(text)).toEqual(lamps);
      }),
      { numRuns: 400, seed: 2 },
    ));

  it("tells as far as there are flags and values, and no farther", () => {
    expect(readPanelLine(`flag ${PANEL.FLAGS} 1`)).not.toBeNull();
    expect(readPanelLine(`flag ${PANEL.FLAGS + 1} 1`)).toBeNull();
    expect(readPanelLine(`value ${PANEL.VALUES + 1} 1`)).toBeNull();
  });
});

describe("bytes of lines, as they come", () => {
  const bytes = (text: string) => Buffer.from(text).toString("hex");
  const shownBy = (text: string) =>
    play(buildNative("gcc", panel, folder), [], `10 line ${bytes(text)}\n20 end\n`).output.match(/10 lamp (\d) 1/g) ??
    [];

  it("end a line with either of its ends, or both", () => {
    for (const end of ["\n", "\r", "\r\n"]) expect(shownBy(`flag 1 1${end}value 1 200${end}`)).toHaveLength(2);
    expect(shownBy("flag 1 1")).toEqual([]);
  });

  it("go on behind a line that was none", () => expect(shownBy("flag 1 two\nflag 1 1\n")).toHaveLength(1));
});
