import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad, pad } from "../../tests/support/designs";
import type { Control } from "@/core/catalogue/kinds";
import { addControl, changeControl } from "@/core/edits/controls";
import { movePin } from "@/core/edits/pins";
import type { Design } from "@/core/document/schema";
import { changeWish } from "@/core/edits/wish";
import { shareOutDirect } from "@/core/edits/wiring";
import { addLayer, bind, setLampRule } from "@/core/edits/keymap";
import {
  holdSession,
  clearText,
  flipElement,
  pressElement,
  releaseAll,
  setBounce,
  setWithoutDiodes,
  spinElement,
  startSession,
  stopSession,
  turnElement,
  useSession,
} from "./session";

const state = useSession.getState;

/** The screen's frames, by hand: the session's clock follows them. */
let frames: ((now: number) => void)[] = [];
let now = 1000;

function pass(ms: number) {
  for (let left = ms; left > 0; left -= 16) {
    now += Math.min(16, left);
    const due = frames;
    frames = [];
    due.forEach((frame) => frame(now));
  }
}

/** One frame of any length. */
function frameOf(ms: number) {
  now += ms;
  const due = frames;
  frames = [];
  due.forEach((frame) => frame(now));
}

beforeEach(async () => {
  frames = [];
  vi.stubGlobal("requestAnimationFrame", (frame: (now: number) => void) => frames.push(frame));
  vi.stubGlobal("cancelAnimationFrame", () => (frames = []));
  vi.spyOn(performance, "now").mockImplementation(() => now);
  useSession.setState({ bounce: false, withoutDiodes: false });
  await startSession(finishedPad());
  pass(16);
});

afterEach(() => {
  stopSession();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

function tap(element: string, ms = 50) {
  pressElement(element, true);
  pass(ms);
  pressElement(element, false);
  pass(80);
}

describe("the live session", () => {
  it("runs in step with the screen's clock", () => {
    const before = state().nowMs;
    pass(320);
    expect(state().nowMs - before).toBe(320);
  });

  it("keeps time when frames last no whole milliseconds", () => {
    const before = state().nowMs;
    for (let nth = 0; nth < 600; nth++) frameOf(16.67);
    expect(Math.abs(state().nowMs - before - 600 * 16.67)).toBeLessThan(2);
  });

  it("stands still while the person goes elsewhere, a second at most, and tells nothing in between", () => {
    const before = state().nowMs;
    let told = 0;
    const forget = useSession.subscribe(() => (told += 1));
    holdSession();
    pass(960);
    expect(state().nowMs).toBe(before);
    expect(told).toBe(0);
    // What stayed goes on, and makes up for nothing.
    pass(160);
    expect(state().nowMs - before).toBeGreaterThan(80);
    expect(state().nowMs - before).toBeLessThanOrEqual(160);
    forget();
  });

  it("goes on at once where it is started anew", async () => {
    holdSession();
    await startSession(finishedPad());
    pass(160);
    expect(state().nowMs).toBeGreaterThan(100);
    tap("k1:press");
    expect(state().text).toBe("a");
  });

  it("takes presses that came in one breath one after the other", () => {
    for (const key of ["k3", "k1", "k4", "k2"]) pressElement(`${key}:press`, true);
    for (const key of ["k3", "k1", "k4", "k2"]) pressElement(`${key}:press`, false);
    pressElement("k3:press", true);
    pressElement("k3:press", false);
    pass(400);
    expect(state().text).toBe("cadbc");
  });

  it("keeps presses that were made before it woke, in their order", async () => {
    stopSession();
    const waking = startSession(finishedPad());
    pressElement("k2:press", true);
    pressElement("k2:press", false);
    expect(state().text).toBe("");
    await waking;
    pass(200);
    expect(state().text).toBe("b");
    expect(state().held).toEqual([]);
  });

  it("tells a lever that is flipped before it woke: what was so from the start would tell nothing", async () => {
    const at = { xMm: 90, yMm: 0, rotationDeg: 0, boardId: finishedPad().boards[0].id };
    const lever = shareOutDirect(addControl(finishedPad(), "toggle", "t", at));
    const bound = bind(lever, "base", "t:press", { does: "keyboard", usage: 0x10, modifiers: 0 });
    for (const isEarly of [true, false]) {
      stopSession();
      const waking = startSession(bound);
      if (isEarly) flipElement("t:press", []);
      await waking;
      if (!isEarly) flipElement("t:press", []);
      pass(200);
      expect(state().text, String(isEarly)).toBe("m");
    }
  });

  it("says why a design cannot be tried, and presses nothing", async () => {
    await startSession(shareOutDirect(pad(20, 13)));
    expect(state().refusal).toBe("This design cannot be tried: it has 263 inputs; the firmware numbers 254.");
    pressElement("k1:press", true);
    pass(100);
    expect(state().reports).toEqual([]);
    await startSession(finishedPad());
    expect(state().refusal).toBeNull();
  });

  it("types nothing on an interface that is not declared", async () => {
    const design = finishedPad();
    await startSession({ ...design, reportSet: { ...design.reportSet, interfaces: ["consumer"] } });
    tap("k1:press");
    expect(state().text).toBe("");
    expect(state().reports).toEqual([]);
  });

  it("leaves a lever where it was put, also when the window is left, and flips one end at a time", async () => {
    const at = { xMm: 90, yMm: 0, rotationDeg: 0, boardId: finishedPad().boards[0].id };
    const lever = changeControl(addControl(finishedPad(), "toggle", "t", at), "t", {
      positions: 3,
    } as Partial<Control>);
    await startSession(shareOutDirect(lever));
    flipElement("t:press", ["t:down"]);
    pass(50);
    releaseAll();
    expect(state().held).toEqual(["t:press"]);
    flipElement("t:down", ["t:press"]);
    pass(50);
    expect(state().held).toEqual(["t:down"]);
    flipElement("t:down", ["t:press"]);
    pass(50);
    expect(state().held).toEqual([]);
  });

  it("does not try to catch up hours after the tab slept", () => {
    const before = state().nowMs;
    now += 3_600_000;
    pass(16);
    expect(state().nowMs - before).toBeLessThanOrEqual(100);
  });

  it("types what is pressed, and tells contacts, debounced states and reports", () => {
    tap("k1:press");
    expect(state().text).toBe("a");
    expect(state().contacts.map(({ id, on }) => `${id} ${on}`)).toEqual(["k1:press true", "k1:press false"]);
    expect(state().debounced.map(({ on }) => on)).toEqual([true, false]);
    expect(state().debounced[0].atMs - state().contacts[0].atMs).toBe(5);
    expect(state().reports).toHaveLength(2);
  });

  it("takes a tap that is shorter than a frame for a keystroke", () => {
    pressElement("k2:press", true);
    pressElement("k2:press", false);
    pass(100);
    expect(state().text).toBe("b");
    expect(state().held).toEqual([]);
  });

  it("lets go of everything when the window is left", () => {
    pressElement("k1:press", true);
    pressElement("k2:press", true);
    pass(50);
    releaseAll();
    pass(80);
    expect([...state().reports.at(-1)!.bytes]).toEqual([0, 0, 0, 0, 0, 0, 0, 0]);
  });

  it("turns an encoder and tells the deed", async () => {
    await startSession(bind(finishedPad(), "base", "e1:cw", { does: "consumer", usage: 0xe9 }));
    pass(5);
    turnElement("e1:turn", 2);
    pass(200);
    expect(state().deeds.map(({ deed }) => deed)).toEqual(["Volume Increment", "Volume Increment"]);
  });

  it("spins a knob once round as fast as the brief wishes: all is told where pins interrupt, and lost where they are read", async () => {
    const bound = bind(finishedPad(), "base", "e1:cw", { does: "consumer", usage: 0xe9 });
    const fast = changeWish(bound, { turnsPerSecond: 15 });
    const told = async (design: Design) => {
      await startSession(design);
      pass(5);
      spinElement("e1:turn");
      pass(400);
      return state().deeds.length;
    };
    expect(await told(fast)).toBe(24);
    expect(await told(movePin(fast, "e1:turn/A", "P18"))).toBeLessThan(24);
  });

  it("shows layers and lamps while they last", async () => {
    const layered = bind(addLayer(finishedPad(), "up", "Up"), "base", "k1:press", {
      does: "hold-layer",
      layerId: "up",
    });
    await startSession(setLampRule(layered, "l1", { when: "layer", layerId: "up" }));
    pressElement("k1:press", true);
    pass(50);
    expect(state().activeLayers).toEqual([0, 1]);
    expect(state().lit).toEqual(["l1"]);
    pressElement("k1:press", false);
    pass(80);
    expect(state().activeLayers).toEqual([0]);
    expect(state().lit).toEqual([]);
  });

  it("shows lights in their colours while they glow", async () => {
    const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
    await startSession(kestrel);
    pass(30);
    const dim = state().glows["power-light"];
    expect(dim).toMatch(/^#[0-9a-f]{2}0000$/);
    expect(Object.keys(state().glows)).toEqual(["power-light"]);
    pressElement("stop:press", true);
    pass(60);
    expect(Object.keys(state().glows)).toHaveLength(6);
    pressElement("stop:press", false);
    pass(700);
    expect(state().glows).toEqual({ "power-light": dim });
  });

  it("ghosts when the diodes are left out, and the design keeps its own", () => {
    setWithoutDiodes(true);
    for (const id of ["k1", "k2", "k4"]) pressElement(`${id}:press`, true);
    pass(60);
    expect([...state().text].sort().join("")).toBe("abde");
  });

  it("bounces when asked to, and types the same", () => {
    setBounce(true);
    tap("k1:press", 60);
    expect(state().contacts.length).toBeGreaterThan(2);
    expect(state().text).toBe("a");
  });

  it("forgets old changes but not what was typed", () => {
    tap("k1:press");
    pass(20_000);
    tap("k2:press");
    expect(state().contacts.every(({ id }) => id === "k2:press")).toBe(true);
    expect(state().text).toBe("ab");
    clearText();
    expect(state().text).toBe("");
  });

  it("is deaf when it is stopped", () => {
    stopSession();
    pressElement("k1:press", true);
    expect(state().held).toEqual([]);
    expect(state().running).toBe(false);
  });
});
