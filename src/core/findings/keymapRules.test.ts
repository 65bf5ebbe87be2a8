import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import type { Binding } from "../bindings";
import { togetherInput } from "../document/keyRules";
import type { MacroStep } from "../document/macros";
import type { Design } from "../document/schema";
import { addTogether } from "../edits/keyRules";
import { usualKnob } from "../document/knobs";
import { addControl } from "../edits/controls";
import { addLayer, bind, setHostLanguage, setKnob, setLampRule } from "../edits/keymap";
import { addMacro, changeMacro } from "../edits/macros";
import { imageFor, tableBytesMost, usb8Images } from "../image/usb8Images";
import { chooseController } from "../edits/pins";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { findingsOf } from "./check";

const key = (usage: number, modifiers = 0): Binding => ({ does: "keyboard", usage, modifiers });
const told = (design: Design, rule: string) =>
  findingsOf(design).filter((finding) => finding.rule === `keymap/${rule}`);
const messages = (design: Design, rule: string) => told(design, rule).map(({ message }) => message);

/** Every way out settles what it is offered for. */
function settles(design: Design, rule: string) {
  const [finding] = told(design, rule);
  expect(finding.fixes.length).toBeGreaterThan(0);
  for (const fix of finding.fixes) expect(told(fix.apply(design), rule)).toEqual([]);
}

const base = (id: string, binding: Binding | null, design = finishedPad()) => bind(design, "base", id, binding);
const withSteps = (steps: MacroStep[]) => changeMacro(addMacro(finishedPad(), "m", "Sign-off"), "m", { steps });

describe("what stands on a key that is held there", () => {
  const layered = base("k1:press", { does: "hold-layer", layerId: "up" }, addLayer(finishedPad(), "up", "Up"));
  const shadowed = bind(layered, "up", "k1:press", key(4));
  it("is told and cleared", () => {
    expect(messages(shadowed, "held-own-key")).toEqual(["K1 is bound on Up, and is held there: nobody can press it."]);
    settles(shadowed, "held-own-key");
  });
  it("is not, where another key leads there too, or one stays", () => {
    expect(told(base("k2:press", { does: "hold-layer", layerId: "up" }, shadowed), "held-own-key")).toEqual([]);
    expect(told(base("k1:press", { does: "switch-layer", layerId: "up" }, shadowed), "held-own-key")).toEqual([]);
    expect(told(layered, "held-own-key")).toEqual([]);
  });
});

describe("a letter on a key with two jobs", () => {
  const jobs = (change: object) =>
    base("k1:press", {
      does: "two-jobs",
      tap: { does: "keyboard", usage: 4, modifiers: 0 },
      hold: { does: "keyboard", usage: 0xe0, modifiers: 0 },
      school: "tap",
      deadlineMs: 180,
      quickMs: 0,
      ...change,
    });
  it("costs time, by how much", () => {
    expect(messages(jobs({}), "late-tap")).toEqual([
      "K1 types about 100 ms later than a plain key. Typing 7.5 keys a second, the next one comes after 133 ms.",
    ]);
    expect(told(jobs({}), "late-tap")[0].severity).toBe("note");
    settles(jobs({}), "late-tap");
  });
  it("is taken for held when it is rolled over, or held as typists do", () => {
    const rolled = jobs({ school: "press" });
    expect(messages(rolled, "late-tap")[0]).toContain("rolled onto the next key it counts as held");
    expect(told(rolled, "late-tap")[0].severity).toBe("warn");
    settles(rolled, "late-tap");
    const slow = jobs({ deadlineMs: 90, quickMs: 250 });
    expect(messages(slow, "late-tap")[0]).toContain("counts as held after 90 ms");
    settles(slow, "late-tap");
  });
  it("costs nothing where fast typing is protected, or what it taps is no letter", () => {
    expect(told(jobs({ quickMs: 133 }), "late-tap")).toEqual([]);
    expect(told(jobs({ tap: { does: "keyboard", usage: 0x29, modifiers: 0 } }), "late-tap")).toEqual([]);
    expect(told(jobs({ tap: { does: "keyboard", usage: 0x2c, modifiers: 0 } }), "late-tap")).toEqual([]);
  });
});

describe("keys together", () => {
  const bound = (sample: string, windowMs = 40) => {
    const pad = finishedPad();
    const set = addTogether({ ...pad, reach: { ...pad.reach, sample } }, "ab", ["k1:press", "k2:press"]);
    const timed = { ...set, keymap: { ...set.keymap, together: [{ ...set.keymap.together![0], windowMs }] } };
    return bind(timed, "base", togetherInput("ab"), key(0x29));
  };
  it("are counted in the words of the text, in either order", () => {
    expect(messages(bound("Abba cab!"), "together-in-words")).toEqual([
      "K1 and K2 stand side by side 3 times in the sample text of 9 signs: typed within 40 ms, they do what they do together.",
    ]);
    settles(bound("Abba cab!"), "together-in-words");
  });
  it("are not, where they never meet, or are not bound", () => {
    expect(told(bound("a b c"), "together-in-words")).toEqual([]);
    expect(told(bound("ab", 20), "together-in-words")).toEqual([]);
    expect(told(bind(bound("ab"), "base", togetherInput("ab"), null), "together-in-words")).toEqual([]);
  });
});

describe("two keys that do the same", () => {
  const twice = base("k2:press", key(4));
  it("are told, by layer", () => {
    expect(messages(twice, "bound-twice")).toEqual(["K1 and K2 both do A on Base."]);
    expect(messages(base("k3:press", key(4), twice), "bound-twice")).toEqual(["K1, K2 and K3 all do A on Base."]);
    settles(twice, "bound-twice");
  });
  it("are not, where they are modifiers, on other layers, or held with other keys", () => {
    expect(told(base("k2:press", key(4, 1)), "bound-twice")).toEqual([]);
    expect(told(base("k1:press", key(0xe1), base("k2:press", key(0xe1))), "bound-twice")).toEqual([]);
    expect(told(bind(addLayer(finishedPad(), "up", "Up"), "up", "k2:press", key(4)), "bound-twice")).toEqual([]);
  });
});

describe("opposite arrows", () => {
  const open = base("k1:press", key(0x4f), base("k2:press", key(0x50)));
  it("without a rule are told, and every school settles it", () => {
    expect(messages(open, "open-opposites")).toEqual([
      "K1 and K2 are opposite directions: nothing says which counts while both are held.",
    ]);
    settles(open, "open-opposites");
  });
  it("are not told of a knob, or of one arrow alone", () => {
    expect(told(base("k1:press", key(4), open), "open-opposites")).toEqual([]);
    expect(told(base("e1:cw", key(0x51), base("e1:ccw", key(0x52))), "open-opposites")).toEqual([]);
  });
});

describe("macros", () => {
  it("that type what the language has no keys for are told, and enter it by number", () => {
    const greek = withSteps([{ step: "text", text: "α & ω" }]);
    expect(messages(greek, "untyped-text")).toEqual([
      "Sign-off types α ω, for which English, United States has no keys: the device leaves them out.",
    ]);
    settles(greek, "untyped-text");
    expect(told(setHostLanguage(greek, "el-GR"), "untyped-text")).toEqual([]);
  });
  it("that leave something down are told", () => {
    const down = withSteps([{ step: "press", usage: 0xe1, modifiers: 0 }]);
    expect(messages(down, "macro-leaves-down")).toEqual(["Sign-off presses Left Shift and lets go only at its end."]);
    settles(down, "macro-leaves-down");
  });
  it("need the interfaces that their steps speak through", () => {
    const media = bind(withSteps([{ step: "consumer", usage: 0xe2 }]), "base", "k1:press", {
      does: "macro",
      macroId: "m",
    });
    const without = { ...media, reportSet: { ...media.reportSet, interfaces: ["keyboard" as const] } };
    expect(findingsOf(without).map(({ rule }) => rule)).toContain("reports/missing-interface");
    expect(findingsOf(media).map(({ rule }) => rule)).not.toContain("reports/missing-interface");
  });
});

describe("a lamp that shows an input that is held", () => {
  it("is told when that input is gone, and stays dark", () => {
    const shown = setLampRule(finishedPad(), "l1", { when: "held", inputId: "k1:press" });
    expect(told(shown, "dangling")).toEqual([]);
    const lost = setLampRule(finishedPad(), "l1", { when: "held", inputId: "gone:press" });
    expect(messages(lost, "dangling")).toEqual(["L1 shows an input that is gone; it stays dark."]);
    settles(lost, "dangling");
  });
});

describe("the demos", () => {
  it.each(demoDesigns)("$name keeps the rules of its keymap", (design) =>
    expect(
      findingsOf(design)
        .filter(({ stage }) => stage === "keymap")
        .map(({ message }) => message),
    ).toEqual([]),
  );
});

describe("a keymap that is larger than the chip's flash", () => {
  const texted = (length: number) => {
    const long = changeMacro(addMacro(finishedPad(), "m", "Letter"), "m", {
      steps: Array.from({ length: Math.ceil(length / 1000) }, (_, nth) => ({
        step: "text" as const,
        text: "a".repeat(Math.min(1000, length - 1000 * nth)),
      })),
    });
    return chooseController(
      changeMacro(addMacro(long, "n", "Note"), "n", { steps: [{ step: "wait", ms: 5 }] }),
      "small-5v-18",
    );
  };
  it("is told, with what the macros take of it, and no sooner", () => {
    const most = tableBytesMost(imageFor(texted(0), scanTableOf(texted(0))));
    const spare = most - tableBytes(scanTableOf(texted(0)), texted(0)).length;
    const [message] = messages(texted(spare + 200), "too-large");
    const bytes = tableBytes(scanTableOf(texted(spare + 200)), texted(spare + 200)).length;
    expect(message).toMatch(
      new RegExp(
        `^The keymap needs ${bytes} bytes of tables; the chip has ${most}; without live changes there are ${tableBytesMost(usb8Images[0])}\\.`,
      ),
    );
    expect(message).toMatch(/Macros take \d+; the longest: Letter \(\d+\) and Note \(7\)\./);
    expect(told(texted(spare - 200), "too-large")).toEqual([]);
    expect(told(chooseController(texted(spare + 200), "dual-core-3v3-26"), "too-large")).toEqual([]);
  });
});

describe("a lamp that shows how far a knob is", () => {
  const lamped = addControl(finishedPad(), "lamp", "glow", { xMm: 90, yMm: 0, rotationDeg: 0, boardId: "panel" });
  const knob = lamped.controls.find(({ kind }) => kind === "encoder")!.id;
  const shows = (elementId: string, atLeast: number) =>
    setLampRule(lamped, "glow", { when: "value", elementId, atLeast });
  it("is told when the knob never comes so far, and lit from its top on", () => {
    expect(told(shows(`${knob}:turn`, 24), "dangling")).toEqual([]);
    expect(messages(shows(`${knob}:turn`, 25), "dangling")[0]).toMatch(
      /lights from 25 on, and the value of .* counts to 24; it stays dark\.$/,
    );
    settles(shows(`${knob}:turn`, 25), "dangling");
    const still = setKnob(shows(`${knob}:turn`, 1), `${knob}:turn`, { ...usualKnob, top: 0 });
    expect(told(still, "dangling")[0].fixes).toEqual([]);
  });
  it.each(["gone:turn", "k1:press", "constructor"])("is told when %s is no knob", (id) => {
    expect(messages(shows(id, 1), "dangling")[0]).toMatch(/shows a knob that is gone; it stays dark\.$/);
    settles(shows(id, 1), "dangling");
  });
});
