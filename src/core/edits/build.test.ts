import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { doneSteps, nextStep } from "../assembly/progress";
import { toldAssembly } from "../assembly/toldAssembly";
import { boardWayOf, deviceOf, isSocketed } from "../document/buildSettings";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import {
  nextDevice,
  noteStep,
  setBoardWay,
  setDevice,
  setModuleWay,
  skipStep,
  stepAgain,
  stepDone,
  timeSpent,
  unskipStep,
} from "./build";

const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
const { steps } = toldAssembly(loom);
const row = steps.find(({ title }) => title.startsWith("Run row R2"))!;
const plate = steps[0];
const isRead = (design: Design) => readDesign(JSON.parse(JSON.stringify(design))).ok;

describe("how far a device is made", () => {
  it("a step with wires is done when its wires are, from whichever side they were ticked", () => {
    const done = stepDone(loom, row, 7.5);
    expect(done.wires.done).toEqual(row.wires);
    expect(done.build!.minutes[row.id]).toBe(7.5);
    expect(doneSteps(done, steps)).toEqual(new Set([row.id]));
    const walked = { ...loom, wires: { ...loom.wires, done: [...row.wires] } };
    expect(doneSteps(walked, steps)).toEqual(new Set([row.id]));
    const short = { ...done, wires: { ...done.wires, done: row.wires.slice(1) } };
    expect(doneSteps(short, steps).size).toBe(0);
    const again = stepAgain(done, row);
    expect(again.wires.done).toEqual([]);
    expect(doneSteps(again, steps).size).toBe(0);
    expect(isRead(done) && isRead(again)).toBe(true);
  });

  it("the next device of its kind begins with nothing done; how it is made, and what was noted, stays", () => {
    expect(deviceOf(loom)).toBe(1);
    const made = noteStep(stepDone(setModuleWay(loom, "c1", "socketed"), row, 3), row.id, "flux first");
    const next = nextDevice(skipStep(made, plate.id));
    expect(deviceOf(next)).toBe(2);
    expect(doneSteps(next, steps).size).toBe(0);
    expect(next.wires.done).toEqual([]);
    expect(next.build).toMatchObject({ skipped: [], minutes: {}, notes: { [row.id]: "flux first" } });
    expect(isSocketed(next, "c1")).toBe(true);
    expect(deviceOf(nextDevice(setDevice(next, 30)))).toBe(31);
    expect(deviceOf(nextDevice(setDevice(next, 10_000)))).toBe(10_000);
    expect(isRead(next)).toBe(true);
  });

  it("goes on with the first that is open behind the one in hand, then from the front", () => {
    expect(nextStep(loom, steps)).toBe(steps[0]);
    expect(nextStep(loom, steps, steps[3].id)).toBe(steps[4]);
    const skipped = skipStep(loom, steps[4].id);
    expect(nextStep(skipped, steps, steps[3].id)).toBe(steps[5]);
    expect(nextStep(unskipStep(skipped, steps[4].id), steps, steps[3].id)).toBe(steps[4]);
    expect(nextStep(loom, steps, steps.at(-1)!.id)).toBe(steps[0]);
    const all = steps.reduce((design, step) => stepDone(design, step, 0), loom);
    expect(nextStep(all, steps)).toBeNull();
    expect(doneSteps(all, steps).size).toBe(steps.length);
    expect(isRead(all)).toBe(true);
  });

  it("adds the minutes of a step up, keeps none of nothing, and takes back what was left out", () => {
    const twice = stepDone(stepDone(loom, plate, 3), plate, 4.125);
    expect(twice.build!.minutes).toEqual({ [plate.id]: 7.13 });
    expect(twice.build!.done).toEqual([plate.id]);
    expect(stepDone(loom, plate, 0).build!.minutes).toEqual({});
    expect(timeSpent(loom, plate.id, 2).build!.minutes).toEqual({ [plate.id]: 2 });
    expect(stepDone(skipStep(loom, plate.id), plate, 1).build!.skipped).toEqual([]);
    expect(isRead(stepDone(loom, plate, 1e9))).toBe(true);
  });

  it("keeps notes by step, also of one that is called like a property of every object", () => {
    const noted = noteStep(noteStep(loom, plate.id, "burrs at the thumb keys"), "constructor", "odd");
    expect(Object.entries(noted.build!.notes)).toEqual([
      [plate.id, "burrs at the thumb keys"],
      ["constructor", "odd"],
    ]);
    expect(noteStep(noted, plate.id, "").build!.notes).toEqual({ constructor: "odd" });
    expect(isRead(noted)).toBe(true);
  });

  it("keeps the way of each board, where nothing is said that of the brief, else by hand", () => {
    expect(boardWayOf(loom, "left")).toEqual({ way: "hand-wired", smallParts: "leaded" });
    const wished = { ...loom, brief: { ...loom.brief, wish: { ...loom.brief.wish, making: "made-board" as const } } };
    expect(boardWayOf(wished, "left").way).toBe("made-board");
    const one = setBoardWay(wished, "left", { way: "hand-wired" });
    expect([boardWayOf(one, "left").way, boardWayOf(one, "right").way]).toEqual(["hand-wired", "made-board"]);
    expect(boardWayOf(setBoardWay(one, "right", { smallParts: "surface" }), "right")).toEqual({
      way: "made-board",
      smallParts: "surface",
    });
    const socketed = setModuleWay(loom, "controller", "socketed");
    expect([
      isSocketed(loom, "controller"),
      isSocketed(socketed, "controller"),
      isSocketed(socketed, "toString"),
    ]).toEqual([false, true, false]);
    expect(isRead(setModuleWay(one, "controller", "socketed"))).toBe(true);
  });
});
