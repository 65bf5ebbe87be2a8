import { macroTable } from "../keymap/macroPlan";
import { togetherInput } from "../document/keyRules";
import { glowsOf, lightsOf } from "./lights";
import { AT, ENTRY_BYTES, HEADER_BYTES, glowBytes, type HeaderField, TABLE_VERSION } from "../contract/contract";
import { crc16 } from "../contract/crc16";
import { derive } from "../derived/derive";
import { setDebounceOf } from "../edits/timing";
import { describe, expect, it } from "vitest";
import { finishedPad, pad, wiredDemos } from "../../../tests/support/designs";
import { addControl, changeControl } from "../edits/controls";
import { addLayer, bind, setLampLook, setLampRule } from "../edits/keymap";
import { shareOutDirect, unwire, wireAsUsual } from "../edits/wiring";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { pinsHeader, tablesSource } from "../targets/archiveFiles";
import { demonstrationOf } from "../targets/demonstration";
import { scanTableOf } from "./scanTable";
import { recordScript } from "../engine/script";
import { simulate } from "../engine/simulate";
import { curveBytes } from "./axes";
import { displayTables } from "./displays";
import { tableSections } from "./tableListing";
import { actionEntries, actionTable, tableBytes } from "./tables";

const word = (bytes: Uint8Array, at: number) => bytes[at] | (bytes[at + 1] << 8);

describe.each([...wiredDemos, finishedPad(), shareOutDirect(pad()), newDesign("none", "None")])(
  "the numbering of $name",
  (design) => {
    const scan = scanTableOf(design);

    it("numbers lines, switches and inputs once each", () => {
      for (const ids of [scan.strobeLines, scan.senseLines, scan.lampLines, scan.switches, scan.inputs])
        expect(new Set(ids).size).toBe(ids.length);
    });

    it("puts every switch into exactly one cell of one group", () => {
      const cells = scan.groups.flatMap((group) => group.cells.filter((cell) => cell !== null));
      expect([...cells].sort((a, b) => a - b)).toEqual(scan.switches.map((_, number) => number));
    });

    it("has inputs for all switches, then clockwise and anticlockwise of each encoder, then flips back", () => {
      expect(scan.inputs.slice(0, scan.switches.length)).toEqual(scan.switches);
      const turns = scan.encoders.flatMap(({ elementId }) =>
        ["cw", "ccw"].map((end) =>
          elementId.endsWith(":turn") ? elementId.replace(":turn", `:${end}`) : `${elementId}-${end}`,
        ),
      );
      const backs = scan.switches.flatMap((id, nth) => (scan.settling[nth].flips ? [`${id}-back`] : []));
      const together = (design.keymap.together ?? []).map(({ id }) => togetherInput(id));
      expect(scan.inputs.slice(scan.switches.length)).toEqual([...turns, ...backs, ...together]);
    });
  },
);

describe.each([...wiredDemos, finishedPad(), newDesign("none", "None")])("the tables of $name", (design) => {
  const scan = scanTableOf(design);
  const bytes = tableBytes(scan, design);

  it("begin with the mark, the version, what is declared and the counts", () => {
    const at = (field: HeaderField) => bytes[AT[field]];
    expect([...bytes.slice(0, 3)]).toEqual([0x4f, 0x56, TABLE_VERSION]);
    const bit = {
      keyboard: 1,
      consumer: 2,
      live: 4,
      pointer: 8,
      system: 16,
      pad: 32,
      panel: 64,
      music: 128,
      place: 256,
    };
    expect(at("REPORTS") | (bytes[AT.REPORTS + 1] << 8)).toBe(
      design.reportSet.interfaces.reduce((bits, kind) => bits | bit[kind], 0),
    );
    expect(at("SWITCHES")).toBe(scan.switches.length);
    expect(at("ENCODERS")).toBe(scan.encoders.length);
    expect(at("LAMPS")).toBe(scan.lamps.length);
    expect(at("LAYERS")).toBe(design.keymap.layers.length);
    expect(at("GROUPS")).toBe(scan.groups.length);
    expect(at("BANKS")).toBe(Math.ceil(scan.senseLines.length / 16));
    expect(at("SETTLE_US")).toBe(design.timing.settleUs);
    expect(at("PULSE_MS")).toBe(design.timing.pulseMs);
  });

  it("point to their parts, one after the other without a gap, and end where they say, with their CRC", () => {
    const places = (
      [
        "GROUP_TABLE",
        "BANK_TABLE",
        "SWITCH_TABLE",
        "ENCODER_TABLE",
        "LAMP_TABLE",
        "CHAIN_TABLE",
        "LIGHT_TABLE",
        "GLOW_TABLE",
        "SENSOR_TABLE",
        "CURVE_TABLE",
        "AXIS_USE_TABLE",
        "SEGMENT_CHAIN_TABLE",
        "SEGMENT_START_TABLE",
        "SEGMENT_TABLE",
        "SEGMENT_USE_TABLE",
        "SEGMENT_TEXTS",
        "DISPLAY_TABLE",
        "DISPLAY_USE_TABLE",
        "DISPLAY_FRAMES",
        "DISPLAY_PAGES",
        "DISPLAY_THINGS",
        "DISPLAY_TEXTS",
        "DISPLAY_GLYPHS",
        "DISPLAY_PICTURES",
        "TOGETHER_TABLE",
        "OPPOSITE_TABLE",
        "MACRO_TABLE",
        "ACTION_TABLE",
        "ACTION_POOL",
      ] as const
    ).map((field) => word(bytes, AT[field]));
    const dots = displayTables(scan, design);
    const pages = design.keymap.layers.flatMap(({ displays = {} }) => Object.values(displays));
    const displaySizes = [
      ENTRY_BYTES.DISPLAY * scan.displays.length,
      scan.displays.length * design.keymap.layers.length,
      dots.frames.length,
      ENTRY_BYTES.DISPLAY_PAGE * pages.length,
      ENTRY_BYTES.DISPLAY_THING * pages.flat().length,
      ...[dots.texts, dots.glyphs, dots.pictures].map(({ length }) => length),
    ];
    const sizes = [
      ENTRY_BYTES.GROUP * scan.groups.length,
      Math.ceil(scan.senseLines.length / 16),
      ENTRY_BYTES.SWITCH * scan.switches.length,
      ENTRY_BYTES.ENCODER * scan.encoders.length,
      ENTRY_BYTES.LAMP * scan.lamps.length,
      ENTRY_BYTES.CHAIN * scan.chains.length,
      ENTRY_BYTES.LIGHT * lightsOf(scan).length,
      glowBytes(lightsOf(scan).length) * glowsOf(design, scan).length,
      ENTRY_BYTES.SENSOR * scan.sensors.length,
      curveBytes(scan, design).length,
      ENTRY_BYTES.AXIS_USE * scan.sensors.length * design.keymap.layers.length,
      scan.segmentChains.length,
      ENTRY_BYTES.SEGMENT_START * scan.segmentChains.reduce((sum, { start }) => sum + start.length, 0),
      ENTRY_BYTES.SEGMENT * scan.segmentChains.reduce((sum, { shown }) => sum + shown.length, 0),
      ENTRY_BYTES.SEGMENT_USE *
        scan.segmentChains.reduce((sum, { shown }) => sum + shown.length, 0) *
        design.keymap.layers.length,
      0,
      ...displaySizes,
      ENTRY_BYTES.TOGETHER * scan.together.length,
      ENTRY_BYTES.OPPOSITE * scan.opposites.length,
      macroTable(design).length,
      ENTRY_BYTES.ACTION * scan.inputs.length * design.keymap.layers.length,
      actionTable(actionEntries(scan, design)).pool.length,
    ];
    let at = HEADER_BYTES;
    sizes.forEach((size, nth) => {
      expect(places[nth]).toBe(at);
      at += size;
    });
    expect(word(bytes, AT.LENGTH)).toBe(at + 2);
    expect(bytes.length).toBe(at + 2);
    expect(word(bytes, at)).toBe(crc16(bytes.slice(0, at)));
  });

  it("carry the CRC whose check value is 0x29B1", () => {
    expect(crc16(new TextEncoder().encode("123456789"))).toBe(0x29b1);
  });

  it("put an action that is longer than an entry into the pool, equal ones once", () => {
    const long = { kind: 9, modifiers: 1, value: 0x302, more: [7, 8, 9] };
    const { table, pool } = actionTable([long, { kind: 2, modifiers: 0, value: 4 }, { ...long }]);
    expect(pool).toEqual([9, 1, 2, 3, 7, 8, 9]);
    expect(table).toEqual([0x7f, 0, 0, 0, 2, 0, 4, 0, 0x7f, 0, 0, 0]);
  });

  it("hold a byte in every byte", () => {
    for (const { bytes: part } of tableSections(scan, design))
      for (const byte of part) expect(Number.isInteger(byte) && byte >= 0 && byte <= 255).toBe(true);
  });
});

describe("entries", () => {
  it("say of each switch how it settles and whether it tells its change", () => {
    const eager = setDebounceOf(finishedPad(), ["k2"], { school: "eager", ms: 7 });
    const toggled = addControl(eager, "toggle", "t1", { xMm: 80, yMm: 0, rotationDeg: 0, boardId: eager.boards[0].id });
    const design = shareOutDirect(toggled);
    const scan = scanTableOf(design);
    const table = tableBytes(scan, design);
    const entry = (id: string) => table[word(table, AT.SWITCH_TABLE) + ENTRY_BYTES.SWITCH * scan.switches.indexOf(id)];
    expect([entry("k1:press"), entry("k2:press"), entry("t1:press")]).toEqual([5, 0x80 | 7, 0x40 | 5]);
    expect(table[AT.FLIPS]).toBe(1);
  });

  const action = (design: Design, layer: number, input: string) => {
    const scan = scanTableOf(design);
    const bytes = tableBytes(scan, design);
    const at = word(bytes, AT.ACTION_TABLE) + 4 * (layer * scan.inputs.length + scan.inputs.indexOf(input));
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
    const table = tableBytes(scanTableOf(design), design);
    expect([...table.slice(word(table, AT.LAMP_TABLE), word(table, AT.LAMP_TABLE) + 3)]).toEqual(bytes);
  });
});

describe("sources", () => {
  it("cannot be broken by what a person writes", () => {
    const nasty = { ...changeControl(finishedPad(), "l1", { label: "*/ int x; /* ??/" }), name: "*/ #error \\" };
    const scan = scanTableOf(nasty);
    for (const text of [tablesSource(scan, nasty), pinsHeader(scan, nasty)]) {
      expect(text.match(/\*\//g)!.length).toBe(text.match(/\/\*/g)!.length);
      expect(text).not.toMatch(/^#error/m);
      expect(text).not.toContain("??/");
    }
  });

  it("name the lines of radios and sockets, which have no number, with their pins", () => {
    const at = { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" };
    const both = addControl(addControl(finishedPad(), "radio", "r1", at), "music-socket", "s1", at);
    const wired = wireAsUsual(both, ["r1:radio", "s1:socket"]);
    const pinPlan = { ...wired.pinPlan, "music.data": { controllerId: "c1", pin: "P1", locked: false } };
    const text = pinsHeader(scanTableOf(wired), { ...wired, pinPlan });
    const others = text.slice(text.indexOf("Other lines"), text.indexOf("#ifndef"));
    expect(others).toMatch(/MUSIC data +P1$/m);
    expect(others).toMatch(/RM1 select +no pin yet$/m);
    expect(others).not.toContain("R1 ");
  });

  it("say which lines have no pin yet", () => {
    const loose = { ...finishedPad(), pinPlan: {} };
    expect(pinsHeader(scanTableOf(loose), loose)).toContain("no pin yet");
  });
});

describe("recording", () => {
  it("gives a script and what must come of it, ended alike", () => {
    const recorded = recordScript(finishedPad(), demonstrationOf(finishedPad()));
    if (!recorded.ok) throw new Error(JSON.stringify(recorded.problems));
    expect(recorded.value.script).toMatch(/^0 edge 0 0\n10 sense 1 0 fff[e-f]\n/);
    expect(recorded.value.script).toMatch(/\d+ end\n$/);
    expect(recorded.value.expected).toMatch(/\nend\n$/);
    expect(recorded.value.expected).toContain("15 keyboard 0000040000000000");
  });

  it("moves each contact and knob of a demo once, by its id", () => {
    for (const design of wiredDemos) {
      const ends = [...derive(design).elements.values()].filter(({ kind }) => ["switch", "quadrature"].includes(kind));
      const used = demonstrationOf(design).events.map((event) => event.end);
      expect([...new Set(used)]).toEqual(ends.slice(0, 32).map(({ id }) => id));
    }
  });

  it("is silent for what is not wired", () => {
    const recorded = recordScript(unwire(finishedPad(), ["k1:press"]), {
      events: [{ atMs: 1, control: "k1", action: "press" }],
      untilMs: 50,
    });
    expect(recorded).toEqual({ ok: true, value: { script: "0 edge 0 0\n50 end\n", expected: "0 lamp 0 0\nend\n" } });
  });
});

describe("a motor", () => {
  const added = addControl(finishedPad(), "motor", "shaker", { xMm: 90, yMm: 40, rotationDeg: 0, boardId: "panel" });
  const wired = shareOutDirect(added);
  const held = setLampRule(wired, "shaker", { when: "held", inputId: "k1:press" });
  const design = setLampLook(held, "shaker", { onMs: 40, offMs: 30, times: 2, eighths: 8 });

  it("is switched as a lamp is, in its own pattern, also when it has a transistor", () => {
    const scan = scanTableOf(design);
    const line = scan.lamps.find(({ controlId }) => controlId === "shaker")!.line;
    const events = [
      { atMs: 20, control: "k1", action: "press" as const },
      { atMs: 30, control: "k1", action: "release" as const },
    ];
    const told: string[] = [];
    simulate(design, { events, untilMs: 300 }, { lamp: (atMs, one, on) => one === line && told.push(`${atMs} ${on}`) });
    // Seen at 25; two pulses of four tens, three between them, from the tens of all milliseconds on.
    expect(told).toEqual(["0 false", "25 true", "59 false", "89 true", "129 false"]);
  });
});
