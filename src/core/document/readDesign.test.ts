import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad, pad } from "../../../tests/support/designs";
import { simulate } from "../engine/simulate";
import { designText } from "../formats/designJson";
import { readDesignText } from "../formats/readDesignText";
import { designJsonSchema } from "./jsonSchema";
import { readDesign } from "./readDesign";
import { controlKinds } from "../catalogue/kinds";
import versionOne from "./version1.example.json";
import versionThree from "./version3.example.json";
import versionFive from "./version5.example.json";
import versionSix from "./version6.example.json";
import versionFour from "./version4.example.json";
import { derive } from "../derived/derive";
import { supplyAt } from "../power/solveSupply";
import versionTwo from "./version2.example.json";

const copy = (): Record<string, never> => JSON.parse(JSON.stringify(pad()));

function problemOf(json: unknown): string {
  const read = readDesign(json);
  if (read.ok) throw new Error("was taken");
  return `${read.problems[0].path}: ${read.problems[0].message}`;
}

describe("reading a design", () => {
  it.each([...demoDesigns, finishedPad()])("takes $name as it is", (design) => {
    expect(readDesignText(designText(design))).toEqual({ ok: true, value: design });
  });

  it("names what a foreign file is not", () => {
    expect(problemOf({ hello: "world" })).toBe('format: is not "ovrin-design"; this is a file of some other kind');
    expect(problemOf([1, 2])).toContain("one JSON object");
    expect(problemOf(null)).toContain("one JSON object");
  });

  it("tells a too new version to be opened with a newer program", () => {
    expect(problemOf({ ...copy(), version: 99 })).toMatch(/^version: is 99; this program reads up to version 8/);
  });

  it.each([
    [
      "a coordinate that is text",
      (d: ReturnType<typeof pad>) => ((d.controls[0].placement.xMm as unknown) = "left"),
      /^controls\.0\.placement\.xMm: .*number/,
    ],
    [
      "a coordinate far off the mat",
      (d: ReturnType<typeof pad>) => (d.controls[1].placement.yMm = 1e6),
      /^controls\.1\.placement\.yMm/,
    ],
    [
      "a kind nobody knows",
      (d: ReturnType<typeof pad>) => ((d.controls[2].kind as unknown) = "gong"),
      /^controls\.2\.kind: is of a kind/,
    ],
    [
      "a field nobody knows",
      (d: ReturnType<typeof pad>) => ((d as unknown as { colour: string }).colour = "red"),
      /colour/,
    ],
    [
      "an id used twice",
      (d: ReturnType<typeof pad>) => (d.controls[3].id = d.controls[0].id),
      /^controls\.3: uses the id "k1" a second time/,
    ],
    [
      "a board that is not there",
      (d: ReturnType<typeof pad>) => (d.controls[0].placement.boardId = "moon"),
      /^controls\.0\.placement\.boardId: lies on the board "moon"/,
    ],
    [
      "a layer that is not there",
      (d: ReturnType<typeof pad>) =>
        (d.keymap.layers[0].bindings["k1:press"] = { does: "hold-layer", layerId: "attic" }),
      /^keymap\.layers\.0\.bindings\.k1:press: leads to the layer "attic"/,
    ],
    ["no layer at all", (d: ReturnType<typeof pad>) => (d.keymap.layers = []), /^keymap\.layers/],
  ])("names the place of %s", (_what, spoil, words) => {
    const design = JSON.parse(JSON.stringify(pad()));
    spoil(design);
    expect(problemOf(design)).toMatch(words);
  });

  it("gives at most twenty problems", () => {
    const design = JSON.parse(JSON.stringify(pad(6, 6)));
    for (const control of design.controls) control.placement = null;
    const read = readDesign(design);
    expect(read.ok ? 0 : read.problems.length).toBe(20);
  });
});

describe("reading text", () => {
  const message = (text: string) => {
    const read = readDesignText(text);
    return read.ok ? "" : read.problems[0].message;
  };

  it("says where broken JSON stops", () =>
    expect(message('{\n  "format": "ovrin-design",\n  oops\n}')).toContain("line 3, column 3"));
  it("says that a cut-off file ends too early", () =>
    expect(message(designText(pad()).slice(0, 400))).toMatch(/not whole JSON/));
  it("says that an empty file is empty", () => expect(message("  \n")).toBe("The file is empty."));
  it("takes a byte order mark", () => expect(readDesignText(`\uFEFF${designText(pad())}`).ok).toBe(true));
});

describe("a design of version 1", () => {
  it("is brought forward with its wiring, and works", () => {
    const read = readDesign(versionOne);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.version).toBe(8);
    const [matrix, direct] = read.value.circuits;
    expect(matrix).toMatchObject({
      kind: "matrix",
      diodes: "row-to-column",
      cells: { "left:press": { row: 0, column: 1 } },
    });
    expect(direct).toMatchObject({ kind: "direct", members: ["alone:press", "knob:turn", "knob:press"] });
    const run = simulate(read.value, { events: [{ atMs: 10, control: "left", action: "press" }], untilMs: 50 });
    expect(run.ok && run.value.text).toBe("a");
  });

  it("is left alone when it is no design after all", () => {
    expect(problemOf({ format: "ovrin-design", version: 1, controls: "many" })).toMatch(/^id: /);
  });
});

describe("a design of version 2", () => {
  it("is brought forward with parts, stabilisers and plates, and nothing is lost", () => {
    const read = readDesign(versionTwo);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { value } = read;
    expect(value.controls.map(({ id }) => id)).toEqual(versionTwo.controls.map(({ id }) => id));
    expect(value.controls.every(({ partId }) => partId !== "")).toBe(true);
    expect(value.boards[0]).toMatchObject({ marginMm: 7, cornerRadiusMm: 7, outline: null, edgeCarried: true });
    for (const control of value.controls)
      if (control.kind === "key") expect(control.stabiliser).toBe(Math.max(control.widthU, control.heightU) >= 2);
    expect(value.keymap).toEqual(versionTwo.keymap);
  });
});

describe("a design of version 3", () => {
  it("is brought forward with its circuits, and nothing is lost", () => {
    const read = readDesign(versionThree);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { circuits, pinPlan, controls } = read.value;
    expect(circuits.map(({ kind }) => kind)).toEqual(versionThree.circuits.map(({ kind }) => kind));
    for (const circuit of circuits) {
      if (circuit.kind === "matrix") expect(circuit).toMatchObject({ reversed: [], locked: [], chords: [] });
      if (circuit.kind === "direct") expect(circuit.polarity).toBe("to-ground");
    }
    expect(pinPlan).toEqual(versionThree.pinPlan);
    expect(controls).toMatchObject(versionThree.controls);
  });
});

describe("the published schema", () => {
  it("describes the document and its kinds of control", () => {
    const schema = designJsonSchema() as {
      properties: Record<string, { items?: { oneOf?: object[]; anyOf?: object[] } }>;
    };
    // Lines between controllers are there where there are several.
    const usual = Object.keys(schema.properties).filter(
      (key) => !["partLinks", "build", "bringUp", "case", "purchase"].includes(key),
    );
    expect(usual).toEqual(Object.keys(pad()));
    const kinds = schema.properties.controls.items!;
    expect((kinds.oneOf ?? kinds.anyOf)!.length).toBe(controlKinds.length);
  });
});

describe("a design of version 4", () => {
  it("is brought forward with its debounce, and its toggles tell what they told", () => {
    const read = readDesign(versionFour);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { timing, controls } = read.value;
    expect(timing).toEqual({
      debounce: { school: "deferred", ms: versionFour.timing.debounceMs },
      debounceOf: {},
      settleUs: versionFour.timing.settleUs,
      pulseMs: versionFour.timing.tapMs,
    });
    const toggles = controls.filter(({ kind }) => kind === "toggle");
    expect(toggles.length).toBeGreaterThan(10);
    expect(toggles.every((control) => control.kind === "toggle" && control.tells === "state")).toBe(true);
    expect(derive(read.value).inputs.some(({ flips }) => flips)).toBe(false);
  });
});

describe("a design of version 6", () => {
  it("is brought forward with where its current comes from and what each part takes", () => {
    const read = readDesign(versionSix);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { supply, controls, circuits, pinPlan } = read.value;
    expect(supply.source).toEqual({ kind: "usb-2" });
    expect(controls).toMatchObject(versionSix.controls);
    const takes = new Map(controls.map((control) => [control.kind, "currentMa" in control ? control.currentMa : null]));
    expect([takes.get("display"), takes.get("segments"), takes.get("radio")]).toEqual([25, 160, 15]);
    expect(controls.flatMap((control) => (control.kind === "lamp" ? control.colour : []))).toEqual(["red", "red"]);
    expect(circuits).toMatchObject(versionSix.circuits);
    expect(circuits.find(({ kind }) => kind === "light-chain")).toMatchObject({ feed: "5V", brightnessPercent: 100 });
    expect(pinPlan).toEqual(versionSix.pinPlan);
    expect(supplyAt(read.value, "worst")!.sourceMa).toBeGreaterThan(300);
  });
});

describe("a design of version 5", () => {
  it("is brought forward with one word for one thing, and nothing is lost", () => {
    const read = readDesign(versionFive);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { timing, brief, circuits } = read.value;
    const old = versionFive.brief.chosen;
    expect(timing.pulseMs).toBe(versionFive.timing.tapMs);
    expect(brief.chosen).toEqual({
      profileId: old.profileId,
      switchStrategy: old.strategy,
      turnStrategy: old.turnWay,
      lampStrategy: old.lampWay,
      voltageStrategy: old.analogWay,
    });
    const both = circuits.find(({ kind }) => kind === "two-way-matrix");
    if (both?.kind !== "two-way-matrix") throw new Error("gone");
    expect(Object.values(both.cells).map(({ direction }) => direction)).toEqual(["column-to-row", "row-to-column"]);
    expect(circuits.find(({ kind }) => kind === "multiplexer")).toMatchObject({ channels: 8 });
    expect(read.value.controls).toMatchObject(versionFive.controls);
  });
});
