import { describe, expect, it } from "vitest";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { addControl, changeControl } from "../edits/controls";
import { bind } from "../edits/keymap";
import { shareOutDirect } from "../edits/wiring";
import type { Binding } from "../bindings";
import { positionsOf } from "./positions";
import { type SimulationEvent, simulate } from "./simulate";

const key = (usage: number): Binding => ({ does: "keyboard", usage, modifiers: 0 });
const place = (design: Design, kind: "toggle" | "five-way" | "key", id: string, nth: number) =>
  changeControl(addControl(design, kind, id, { xMm: 40 * nth, yMm: 0, rotationDeg: 0, boardId: "panel" }), id, {
    label: id,
  });

const two = place(newDesign("levers", "Levers"), "toggle", "Two", 0);
const three = changeControl(place(two, "toggle", "Three", 1), "Three", { positions: 3 } as object);
const unwired = place(place(three, "five-way", "Five", 2), "key", "Plain", 3);
const bound = [
  ["Two:press", 4],
  ["Two:press-back", 5],
  ["Three:press", 6],
  ["Three:down", 7],
  ["Five:left", 8],
  ["Five:press", 9],
].reduce((design, [input, usage]) => bind(design, "base", String(input), key(Number(usage))), unwired);
const design = shareOutDirect(bound);
const control = (id: string) => design.controls.find((one) => one.id === id)!;

const set = (atMs: number, name: string, position?: string): SimulationEvent => ({
  atMs,
  action: "set",
  control: name,
  ...(position === undefined ? {} : { position }),
});
const typed = (...events: SimulationEvent[]) => {
  const run = simulate(design, { events, untilMs: 600 });
  return run.ok ? run.value.text : run.problems.map(({ path, message }) => `${path}: ${message}`);
};

describe("positions", () => {
  it("are those of levers and five-ways, by name", () => {
    expect([...positionsOf(control("Two"))!.keys()]).toEqual(["off", "on"]);
    expect([...positionsOf(control("Three"))!.keys()]).toEqual(["middle", "up", "down"]);
    expect([...positionsOf(control("Five"))!.keys()]).toEqual(["rest", "push", "up", "down", "left", "right"]);
    expect(positionsOf(control("Plain"))).toBeNull();
  });

  it("are set by events: what was closed opens, what belongs to the position closes", () => {
    expect(typed(set(10, "Two", "on"), set(60, "Two", "off"), set(110, "Two", "on"))).toBe("aba");
    // From one end to the other: the flip back of the upper one does as its flip, then the lower one's.
    expect(typed(set(10, "Three", "up"), set(80, "Three", "middle"), set(150, "Three", "down"))).toBe("ccd");
    expect(typed(set(10, "Five", "left"), set(60, "Five", "rest"), set(110, "Five", "push"))).toBe("ef");
    expect(typed(set(10, "Five", "left"), set(10, "Five", "push"), set(60, "Five", "rest"))).toBe("f");
  });

  it("that there are not are told, with those there are", () => {
    expect(typed(set(10, "Two", "middle"))).toEqual([
      'events.0.position: Two has no position "middle"; there is "off" and "on"',
    ]);
    expect(typed(set(10, "Three"))).toEqual([
      'events.0.position: Three needs a position; there is "middle", "up" and "down"',
    ]);
    expect(typed(set(10, "Plain", "on"))).toEqual(["events.0.control: Plain has no positions to be set to"]);
    expect(typed(set(10, "Nobody", "on"))).toEqual(['events.0.control: the design has no control "Nobody"']);
    expect(typed({ atMs: 1, action: "set" })).toEqual(["events.0.control: name the control to set"]);
    expect(typed(set(10, "Five", "constructor"))).toHaveLength(1);
  });
});
