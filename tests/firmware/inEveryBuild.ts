import { expect, it } from "vitest";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { wireAs } from "@/core/edits/wiring";
import type { InterfaceKind } from "@/core/hid/interfaceKinds";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { firstDifference } from "./firstDifference";
import { onSmallClass } from "./onSmallClass";
import { barePython, onBoard, onPythonClass, playPython, unpackPython } from "./python";
import { randomUse } from "./randomUse";
import { joined, playedOnChip, recorded } from "./recordedUses";
import { later, recordContacts } from "./usbChip";

/** What must be compared, and on how many random uses. */
export interface EveryBuild {
  design: Design;
  /** The word that begins what is looked at, "music", and how often it must come at least: all builds, then over USB. */
  told: string;
  least: number;
  leastOverUsb: number;
  uses: number;
  usesOnCore: number;
  usesOnChip: number;
  /** What it declares on the chip, which runs four reports. */
  interfaces: InterfaceKind[];
  /** What its flash has no room for is left out. */
  onChip?: (design: Design) => Design;
}

const linesOf = (text: string, told: string) => text.split("\n").filter((line) => line.includes(` ${told} `));

const voltages = (design: Design) =>
  [...derive(design).elements.values()].filter(({ kind }) => kind === "analog").map(({ id }) => id);

/** Random uses of a device, the same in C by two compilers, on the 8-bit core, in Python, on a board and on the chip. */
export function sameInEveryBuild(all: EveryBuild): void {
  const { design, told } = all;
  const many = joined(recorded(design, all.uses));
  const few = joined(recorded(design, all.usesOnCore));
  const folder = workFolder();

  it("is told much", () => expect(linesOf(many.expected, told).length).toBeGreaterThan(all.least));

  it.each(["gcc", "clang"] as const)("is the same when built by %s", (compiler) => {
    const { output } = play(buildNative(compiler, design, folder), [], many.script);
    expect(firstDifference(output, many.expected)).toBeNull();
  });

  it("is the same on the simulated 8-bit core", () => {
    const { output } = play(buildSimulator(), [buildAvr(design, folder).binary], few.script);
    expect(firstDifference(output, few.expected)).toBeNull();
  });

  it("is the same in Python, and on a board", async () => {
    const there = onPythonClass(wireAs(design, "multiplexer", voltages(design)));
    const some = joined(recorded(there, all.usesOnCore));
    expect(firstDifference(playPython(await barePython(there), some.script).output, some.expected)).toBeNull();
    // A board's interpreter has an endpoint of its own for everything, and waits there.
    const whole = { ...there, reportSet: { ...there.reportSet, endpointsMost: undefined } };
    const uses = Array.from({ length: 20 }, (_, seed) => later(randomUse(whole, seed + 1, [])));
    const onIt = joined(uses.map((use) => recordContacts(whole, use)));
    expect(firstDifference(onBoard(whole, await unpackPython(whole), onIt.script).output, onIt.expected)).toBeNull();
  });

  it("is the same on the simulated chip, through its pins and over USB", () => {
    const keys = design.controls.flatMap(({ id, kind }) => (kind === "key" ? [`${id}:press`] : []));
    const { interfaces, onChip = (whole) => whole } = all;
    const small = onSmallClass({
      ...wireAs(onChip(design), "matrix", keys),
      reportSet: { ...design.reportSet, interfaces },
    });
    const { output, expected } = playedOnChip(small, all.usesOnChip);
    expect(linesOf(expected, told).length).toBeGreaterThan(all.leastOverUsb);
    expect(firstDifference(output, expected)).toBeNull();
  });
}
