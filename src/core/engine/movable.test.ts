import { describe, expect, it } from "vitest";
import { type Control, kindNamed } from "../catalogue/kinds";
import { addControl, changeControl } from "../edits/controls";
import { bind } from "../edits/keymap";
import { shareOutDirect } from "../edits/wiring";
import { derive } from "../derived/derive";
import { newDesign } from "../document/newDesign";
import { type Point, place } from "../geometry/point";
import { endUnder, movableEnds } from "./movable";
import { simulate } from "./simulate";

const turned = { xMm: 40, yMm: 30, rotationDeg: 90, boardId: "panel" };

function deviceWith(kind: Control["kind"], change: Partial<Control> = {}) {
  const design = addControl(newDesign("one", "One"), kind, "c", turned);
  return changeControl(design, "c", change);
}

/** The end under a place that is given as the control itself sees it. */
function endAt(kind: Control["kind"], at: Point, change: Partial<Control> = {}): string | undefined {
  const design = deviceWith(kind, change);
  return endUnder(design, derive(design).controls.get("c")!, place(at, turned))?.end;
}

const p = (xMm: number, yMm: number) => ({ xMm, yMm });

describe("a finger on a control, wherever it is turned", () => {
  it.each([
    [p(0, 0), "press"],
    [p(4, 0.5), "right"],
    [p(-4, 0), "left"],
    [p(0.5, 4), "down"],
    [p(0, -4), "up"],
  ])("moves a five-way at %o: %s", (at, end) => expect(endAt("five-way", at)).toBe(end));

  it.each([
    [p(0, 0), "press"],
    [p(5, 0), "inner"],
    [p(0, -10), "turn"],
    [p(60, 0), "turn"],
  ])("moves a concentric encoder at %o: %s", (at, end) => expect(endAt("concentric", at)).toBe(end));

  it("turns the middle of a knob that has no push", () => {
    expect(endAt("concentric", p(0, 0), { push: false } as Partial<Control>)).toBe("inner");
    expect(endAt("encoder", p(0, 0), { push: false } as Partial<Control>)).toBe("turn");
    expect(endAt("encoder", p(0, 0))).toBe("press");
  });

  it("moves the lower end of a lever only where it has one", () => {
    expect(endAt("toggle", p(0, 3), { positions: 3 } as Partial<Control>)).toBe("down");
    expect(endAt("toggle", p(0, -3), { positions: 3 } as Partial<Control>)).toBe("press");
    expect(endAt("toggle", p(0, 3))).toBe("press");
  });

  it("finds nothing on what does not move", () => expect(endAt("lamp", p(0, 0))).toBeUndefined());
});

describe("every end of every kind", () => {
  const kinds: Control["kind"][] = ["key", "toggle", "encoder", "concentric", "stick", "five-way", "ladder-pad"];
  const ends = kinds.flatMap((kind) => {
    const design = deviceWith(kind, (kind === "toggle" ? { positions: 3, momentary: true } : {}) as Partial<Control>);
    return movableEnds(derive(design).controls.get("c")!).map((end) => [kind, end.end, design] as const);
  });

  it.each(ends)("of a %s types by its name: %s", (_kind, end, design) => {
    const wired = shareOutDirect(design);
    const element = movableEnds(derive(wired).controls.get("c")!).find((one) => one.end === end)!;
    const input = derive(wired).inputs.find(({ elementId }) => elementId === element.id)!;
    const bound = bind(wired, "base", input.id, { does: "keyboard", usage: 4, modifiers: 0 });
    const isTurn = element.kind === "quadrature";
    const run = simulate(bound, {
      events: isTurn
        ? [{ atMs: 5, control: "c", end, action: "turn", steps: 1 }]
        : [{ atMs: 5, control: "c", end, action: "press" }],
      untilMs: 100,
    });
    expect(run.ok && run.value.text).toBe("a");
  });

  it("are named when a script asks for one that is not there", () => {
    const run = simulate(deviceWith("five-way"), {
      events: [{ atMs: 0, control: "c", end: "north", action: "press" }],
      untilMs: 9,
    });
    expect(run).toMatchObject({ ok: false, problems: [{ path: "events.0.end" }] });
    if (!run.ok) expect(run.problems[0].message).toContain('"press", "up", "down", "left" and "right"');
  });

  it("of a kind have names of their own", () => {
    for (const kind of kinds) {
      const control = kindNamed(kind).fresh("c", "C", turned);
      const names = movableEnds(control).map(({ end }) => end);
      expect(new Set(names).size).toBe(names.length);
    }
  });
});
