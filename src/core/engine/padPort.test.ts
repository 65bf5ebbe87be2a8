import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { addControl } from "../edits/controls";
import { setPadPort } from "../edits/reportSet";
import { wireAs } from "../edits/wiring";
import { padPortOf } from "../firmware/padPort";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { usualTimes } from "../hid/padPortSettings";
import { bringInlineRuntime } from "./inlineRuntime";
import { startRuntime } from "./runtime";

const at = { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" };
const pad = wireAs(addControl(finishedPad(), "pad-port", "p1", at), "pad-port", ["p1:port"]);
const runtimeOf = (design: typeof pad) => {
  bringInlineRuntime();
  const host = { report: () => true, lamp: () => undefined, lights: () => undefined };
  return startRuntime(tableBytes(scanTableOf(design), design), host);
};

describe("a pad port", () => {
  it.each(["high", "low"] as const)("goes on %s behind its last bit, however long it is clocked", (after) => {
    const runtime = runtimeOf(setPadPort(pad, { ...usualTimes, bits: ["k1:press", "low", "free"], after }));
    const levels = runtime.readPlug(700);
    expect(levels.slice(0, 3)).toEqual([true, false, true]);
    expect(new Set(levels.slice(3))).toEqual(new Set([after === "high"]));
  });

  it("tells released buttons before the first scan, and all high on a device without one", () => {
    expect(runtimeOf(pad).readPlug(8)).toEqual(new Array(8).fill(true));
    expect(runtimeOf(finishedPad()).started).toBe(0);
  });

  it("takes the keys first where nobody said which, and is not there unwired", () => {
    expect(padPortOf(pad)!.bits).toEqual(["k1", "k2", "k3", "k4", "k5", "k6", "k7", "k8"].map((id) => `${id}:press`));
    expect(padPortOf(finishedPad())).toBeNull();
    expect(padPortOf(addControl(finishedPad(), "pad-port", "p1", at))).toBeNull();
  });
});
