import { kindOf } from "../catalogue/kinds";
import { describe, expect, it } from "vitest";
import { finishedPad, pad, wiredDemos } from "../../../tests/support/designs";
import { changeControl } from "../design/edits/controls";
import { addLayer, bind, setLampRule } from "../design/edits/keymap";
import { shareOutDirect, unwire } from "../design/edits/wiring";
import { newDesign } from "../design/newDesign";
import type { Design } from "../design/schema";
import { pinsHeader, tablesSource } from "./archiveFiles";
import { demonstrationOf } from "./demonstration";
import { scanPlanOf } from "./scanPlan";
import { recordScript } from "./script";
import { tableBytes, tableSections } from "./tables";

const word = (bytes: Uint8Array, at: number) => bytes[at] | (bytes[at + 1] << 8);

describe.each([...wiredDemos, finishedPad(), shareOutDirect(pad()), newDesign("none", "None")])(
  "the numbering of $name",
  (design) => {
    const plan = scanPlanOf(design);

    it("numbers lines, switches and inputs once each", () => {
      for (const ids of [plan.strobeLines, plan.senseLines, plan.lampLines, plan.switches, plan.inputs])
        expect(new Set(ids).size).toBe(ids.length);
    });

    it("puts every switch into exactly one cell of one group", () => {
      const cells = plan.groups.flatMap((group) => group.cells.filter((cell) => cell !== null));
      expect([...cells].sort((a, b) => a - b)).toEqual(plan.switches.map((_, number) => number));
    });

    it("has inputs for all switches, then clockwise and anticlockwise of each encoder", () => {
      expect(plan.inputs.slice(0, plan.switches.length)).toEqual(plan.switches);
      const turns = plan.encoders.flatMap(({ elementId }) =>
        ["cw", "ccw"].map((end) =>
          elementId.endsWith(":turn") ? elementId.replace(":turn", `:${end}`) : `${elementId}-${end}`,
        ),
      );
      expect(plan.inputs.slice(plan.switches.length)).toEqual(turns);
    });
  },
);

describe.each([...wiredDemos, finishedPad(), newDesign("none", "None")])("the tables of $name", (design) => {
  const plan = scanPlanOf(design);
  const bytes = tableBytes(plan, design);

  it("begin with their sign, version and counts", () => {
    expect([...bytes.slice(0, 9)]).toEqual([
      0x4f,
      0x56,
      1,
      plan.switches.length,
      plan.encoders.length,
      plan.lamps.length,
      design.keymap.layers.length,
      plan.groups.length,
      Math.ceil(plan.senseLines.length / 16),
    ]);
    expect([...bytes.slice(9, 12)]).toEqual([design.timing.debounceMs, design.timing.settleUs, design.timing.tapMs]);
  });

  it("point to their parts, one after the other without a gap, and end where they say", () => {
    const sizes = tableSections(plan, design)
      .slice(1)
      .map((section) => section.bytes.length);
    let at = 26;
    sizes.forEach((size, nth) => {
      expect(word(bytes, 12 + 2 * nth)).toBe(at);
      at += size;
    });
    expect(word(bytes, 22)).toBe(at);
    expect(bytes.length).toBe(at);
  });

  it("hold a byte in every byte", () => {
    for (const { bytes: part } of tableSections(plan, design))
      for (const byte of part) expect(Number.isInteger(byte) && byte >= 0 && byte <= 255).toBe(true);
  });
});

describe("entries", () => {
  const action = (design: Design, layer: number, input: string) => {
    const plan = scanPlanOf(design);
    const bytes = tableBytes(plan, design);
    const at = word(bytes, 18) + 4 * (layer * plan.inputs.length + plan.inputs.indexOf(input));
    return [...bytes.slice(at, at + 4)];
  };
  const layered = addLayer(finishedPad(), "up", "Up");
  const bound = (binding: Parameters<typeof bind>[3]) =>
    action(bind(layered, "base", "k1:press", binding), 0, "k1:press");

  it.each([
    ["a usage with modifiers", { does: "keyboard", usage: 0x1d, modifiers: 3 }, [2, 3, 0x1d, 0]],
    ["a consumer usage of two bytes", { does: "consumer", usage: 0x223 }, [3, 0, 0x23, 2]],
    ["a held layer", { does: "hold-layer", layerId: "up" }, [4, 0, 1, 0]],
    ["a layer to stay on", { does: "stay-layer", layerId: "up" }, [5, 0, 1, 0]],
    ["nothing", { does: "nothing" }, [1, 0, 0, 0]],
    ["no binding", null, [0, 0, 0, 0]],
  ] as const)("write %s", (_what, binding, bytes) => expect(bound(binding)).toEqual(bytes));

  it.each([
    [{ when: "never" }, [0, 0, 0]],
    [{ when: "always" }, [0, 1, 0]],
    [{ when: "layer", layerId: "up" }, [0, 2, 1]],
    [{ when: "lock", lock: "caps" }, [0, 3, 1]],
  ] as const)("write a lamp that shows %o", (rule, bytes) => {
    const design = setLampRule(layered, "l1", rule);
    const table = tableBytes(scanPlanOf(design), design);
    expect([...table.slice(word(table, 16), word(table, 16) + 3)]).toEqual(bytes);
  });
});

describe("sources", () => {
  it("cannot be broken by what a person writes", () => {
    const nasty = { ...changeControl(finishedPad(), "l1", { label: "*/ int x; /* ??/" }), name: "*/ #error \\" };
    const plan = scanPlanOf(nasty);
    for (const text of [tablesSource(plan, nasty), pinsHeader(plan, nasty)]) {
      expect(text.match(/\*\//g)!.length).toBe(text.match(/\/\*/g)!.length);
      expect(text).not.toMatch(/^#error/m);
      expect(text).not.toContain("??/");
    }
  });

  it("say which lines have no pin yet", () => {
    const loose = { ...finishedPad(), pinPlan: {} };
    expect(pinsHeader(scanPlanOf(loose), loose)).toContain("no pin yet");
  });
});

describe("recording", () => {
  it("gives a script and what must come of it, ended alike", () => {
    const recorded = recordScript(finishedPad(), demonstrationOf(finishedPad()));
    if (!recorded.ok) throw new Error(JSON.stringify(recorded.problems));
    expect(recorded.value.script).toMatch(/^10 sense 1 0 fff[e-f]\n/);
    expect(recorded.value.script).toMatch(/\d+ end\n$/);
    expect(recorded.value.expected).toMatch(/\nend\n$/);
    expect(recorded.value.expected).toContain("15 keyboard 0000040000000000");
  });

  it("uses each control of a demo once", () => {
    for (const design of wiredDemos) {
      const used = new Set(demonstrationOf(design).events.map((event) => event.control));
      expect(used.size).toBe(
        Math.min(24, design.controls.filter((control) => kindOf(control).inputs(control).length > 0).length),
      );
    }
  });

  it("is silent for what is not wired", () => {
    const recorded = recordScript(unwire(finishedPad(), ["k1:press"]), {
      events: [{ atMs: 1, control: "k1", action: "press" }],
      untilMs: 50,
    });
    expect(recorded).toEqual({ ok: true, value: { script: "50 end\n", expected: "end\n" } });
  });
});
