import { describe, expect, it } from "vitest";
import { wireAs } from "@/core/edits/wiring";
import { simulate } from "@/core/engine/simulate";
import { panelBytes } from "@/core/hid/panelSettings";
import { toHex } from "@/core/hex";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { onSmallClass } from "./onSmallClass";
import { barePython, onBoard, onPythonClass, playPython, unpackPython } from "./python";
import { randomUse } from "./randomUse";
import { joined, playedOnChip, recorded } from "./recordedUses";
import { later, recordContacts } from "./usbChip";

/** Lamps and lights that show what the computer tells, and some that do not. */
const panel = readExample(`key A: KeyA
key B: hold 2
key C: KeyC
encoder E: clockwise KeyX, anticlockwise KeyY
lamp K: told 1
lamp L: told 64
lamp M: value 1 100
lamp N: value 8 1
lamp O: value E 2
look K: on 50 off 30
light P
light Q
glow always on P: value 3 #000000 #ff8000
glow told 9 on Q: still #0000ff, fade 40
glow value 3 128 on Q: still #00ff00
layer 2: A = KeyZ
at 0 told 00`).design;
const lines = (text: string, kind: string) => text.split("\n").filter((line) => line.includes(` ${kind} `));

describe("what the computer tells, in every build", () => {
  const all = joined(recorded(panel, 1000));
  const few = joined(recorded(panel, 150));
  const folder = workFolder();

  it("is seen on lamps and lights", () => {
    expect(lines(all.script, "told").length).toBeGreaterThan(1000);
    for (const kind of ["lamp", "lights"]) expect(lines(all.expected, kind).length).toBeGreaterThan(2000);
  });

  it.each(["gcc", "clang"] as const)("is shown the same when built by %s", (compiler) =>
    expect(firstDifference(play(buildNative(compiler, panel, folder), [], all.script).output, all.expected)).toBeNull(),
  );

  it("is shown the same on the simulated 8-bit core", () => {
    const { output } = play(buildSimulator(), [buildAvr(panel, folder).binary], few.script);
    expect(firstDifference(output, few.expected)).toBeNull();
  });

  it("is shown the same in Python, and on a board", async () => {
    const design = onPythonClass(panel);
    const some = joined(recorded(design, 150));
    expect(firstDifference(playPython(await barePython(design), some.script).output, some.expected)).toBeNull();
    const onIt = joined(
      Array.from({ length: 20 }, (_, seed) => recordContacts(design, later(randomUse(design, seed + 1, [])))),
    );
    expect(firstDifference(onBoard(design, await unpackPython(design), onIt.script).output, onIt.expected)).toBeNull();
  });

  it("is shown the same over USB on the simulated chip", () => {
    const interfaces = panel.reportSet.interfaces.filter((kind) => kind !== "consumer" && kind !== "live");
    const keys = panel.controls.flatMap(({ id, kind }) => (kind === "key" ? [`${id}:press`] : []));
    const design = onSmallClass({ ...wireAs(panel, "matrix", keys), reportSet: { ...panel.reportSet, interfaces } });
    const { output, expected } = playedOnChip(design, 80);
    expect(lines(expected, "lamp").length).toBeGreaterThan(100);
    expect(firstDifference(output, expected)).toBeNull();
  });
});

describe("a panel that is told wrongly", () => {
  const at = (told: string | undefined, interfaces = panel.reportSet.interfaces) =>
    simulate(
      { ...panel, reportSet: { ...panel.reportSet, interfaces } },
      { events: [{ atMs: 5, action: "tell", ...(told === undefined ? {} : { told }) }], untilMs: 20 },
    );

  it("is refused with the place, and why", () => {
    for (const told of [undefined, "0", "xyz"])
      expect(at(told)).toMatchObject({ ok: false, problems: [{ path: "events.0.told" }] });
    expect(at("00", ["keyboard"])).toMatchObject({
      ok: false,
      problems: [{ path: "events.0.action", message: "the device has no panel that the computer tells" }],
    });
  });

  it("has bytes for flags from the lowest bit on, and values that stay within a byte", () => {
    expect(toHex(panelBytes([true, false, true], [300, -4, 7.6]))).toBe("0500000000000000ff00080000000000");
    expect(panelBytes(new Array<boolean>(99).fill(true), new Array<number>(99).fill(1))).toHaveLength(16);
  });
});
