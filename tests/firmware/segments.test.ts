import { describe, expect, it } from "vitest";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { wireAs } from "@/core/edits/wiring";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { onSmallClass } from "./onSmallClass";
import { barePython, onBoard, onPythonClass, playPython, unpackPython } from "./python";
import { randomUse } from "./randomUse";
import { joined, playedOnChip, recorded } from "./recordedUses";
import { later, recordContacts } from "./usbChip";

/** Displays of many sizes on one chain, with what is told, turned and written, on two layers. */
const panel = readExample(`key A: KeyA
key B: hold 2
key C: stay 2
key D: stay 1
encoder E: clockwise KeyX, anticlockwise KeyY
knob E: top 40
pot P
axis P: plain
segments F: 4
segments G: 9
segments H: 1
start 0c 00, 0b 07, 0c 01
show F: value E from -99 to 999 point 1
show G: text run 12.5 b
show H: value P from 0 to 12
layer 2: show F = value 1 from 300 to -40 point 2
layer 2: show H = text -
layer 2: show G = value P from -32000 to 32000
at 0 told 00`).design;
const lines = (text: string, kind: string) => text.split("\n").filter((line) => line.includes(` ${kind} `));

const voltages = (design: Design) =>
  [...derive(design).elements.values()].filter(({ kind }) => kind === "analog").map(({ id }) => id);

describe("segment displays in every build", () => {
  const all = joined(recorded(panel, 600));
  const few = joined(recorded(panel, 100));
  const folder = workFolder();

  it("show much", () => expect(lines(all.expected, "segments").length).toBeGreaterThan(8000));

  it.each(["gcc", "clang"] as const)("show the same when built by %s", (compiler) =>
    expect(firstDifference(play(buildNative(compiler, panel, folder), [], all.script).output, all.expected)).toBeNull(),
  );

  it("show the same on the simulated 8-bit core", { timeout: 600_000 }, () => {
    const { output } = play(buildSimulator(folder), [buildAvr(panel, folder).binary], few.script);
    expect(firstDifference(output, few.expected)).toBeNull();
  });

  it("show the same in Python, and on a board", async () => {
    const design = onPythonClass(wireAs(panel, "multiplexer", voltages(panel)));
    const some = joined(recorded(design, 100));
    expect(firstDifference(playPython(await barePython(design), some.script).output, some.expected)).toBeNull();
    const onIt = joined(
      Array.from({ length: 20 }, (_, seed) => recordContacts(design, later(randomUse(design, seed + 1, [])))),
    );
    expect(firstDifference(onBoard(design, await unpackPython(design), onIt.script).output, onIt.expected)).toBeNull();
  });

  it("show the same on the simulated chip, frame by frame through its pins", () => {
    const interfaces = panel.reportSet.interfaces.filter((kind) => kind !== "consumer" && kind !== "live");
    const keys = panel.controls.flatMap(({ id, kind }) => (kind === "key" ? [`${id}:press`] : []));
    const design = onSmallClass({ ...wireAs(panel, "matrix", keys), reportSet: { ...panel.reportSet, interfaces } });
    const { output, expected } = playedOnChip(design, 60);
    expect(lines(expected, "segments").length).toBeGreaterThan(500);
    expect(firstDifference(output, expected)).toBeNull();
  });
});
