import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { rowOf } from "../../../tests/support/litRows";
import type { BusDisplays } from "../circuits/busDisplays";
import { type DisplayPage, type PageThing, displayPageSchema } from "../document/displayPages";
import type { Design } from "../document/schema";
import { addControl, changeControl } from "../edits/controls";
import { setPage } from "../edits/displays";
import { addLayer, bind } from "../edits/keymap";
import { changeCircuit, shareOutDirect, wireAs } from "../edits/wiring";
import { numberWords, pageDots } from "../firmware/pageDots";
import { simulate } from "./simulate";

const SIZE = { widthPx: 70, heightPx: 32 };

const at = { xMm: 100, yMm: 0, rotationDeg: 0, boardId: "panel" };

/** A display, a knob with a value up to 24, and two keys, of which one holds a layer. */
function device(): Design {
  const display = changeControl(rowOf("display", 1, "small-5v-18"), "c0", SIZE);
  const controls = (["encoder", "key", "key"] as const).reduce(
    (d, kind, n) => addControl(d, kind, `k${n}`, at),
    display,
  );
  const up = bind(addLayer(controls, "up", "Äpfel"), "base", "k1:press", { does: "hold-layer", layerId: "up" });
  const bound = bind(up, "base", "k2:press", { does: "keyboard", usage: 4, modifiers: 0 });
  return wireAs(shareOutDirect(bound), "bus-displays", ["c0:display"]);
}
const bare = device();

const placed = {
  column: fc.integer({ min: 0, max: 69 }),
  row: fc.integer({ min: 0, max: 3 }),
  columns: fc.integer({ min: 1, max: 70 }),
};
const large = fc.boolean();
const words = fc.string({ unit: fc.constantFrom(..."ABab09 -.°Äßé☃"), minLength: 1, maxLength: 14 });
const things: fc.Arbitrary<PageThing> = fc.oneof(
  fc.record({ shows: fc.constant("text" as const), ...placed, large, text: words }),
  fc.record({ shows: fc.constant("layer" as const), ...placed, large }),
  fc.record({
    shows: fc.constant("deed" as const),
    ...placed,
    large,
    inputId: fc.constantFrom("k1:press", "k2:press", "gone"),
  }),
  fc.record({
    ...{ shows: fc.constant("value" as const), ...placed, large, elementId: fc.constantFrom("k0:turn", "gone") },
    ...{ low: fc.integer({ min: -32000, max: 32000 }), high: fc.integer({ min: -32000, max: 32000 }) },
    point: fc.integer({ min: 0, max: 4 }),
  }),
  fc.record({ shows: fc.constant("bar" as const), ...placed, elementId: fc.constantFrom("k0:turn", "gone") }),
  fc
    .record({ ...placed, rows: fc.integer({ min: 1, max: 4 }) })
    .chain((place) =>
      fc
        .uint8Array({ minLength: place.columns * place.rows, maxLength: place.columns * place.rows })
        .map((bytes) => ({ shows: "picture" as const, ...place, dots: Buffer.from(bytes).toString("hex") })),
    ),
);
const pages = fc.array(things, { maxLength: 9 });

/** What the firmware draws when the knob was turned so far, then the layer held or not. */
function drawn(design: Design, steps: number, isHeld: boolean): string[] {
  const run = simulate(design, {
    events: [
      { atMs: 400, action: "turn", control: "k0", steps },
      ...(isHeld ? [{ atMs: 2000, action: "press" as const, control: "k1" }] : []),
    ],
    untilMs: 3000,
  });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  return run.value.displays.c0;
}

function expected(design: Design, page: DisplayPage, steps: number, isHeld: boolean): string[] {
  const [base, up] = design.keymap.layers;
  const layer = isHeld ? up : base;
  const layerOf = (inputId: string) => (Object.hasOwn(layer.bindings, inputId) ? layer : base);
  const dots = pageDots(design, page, SIZE, { layer, layerOf, valueOf: (id) => (id === "k0:turn" ? steps : 0) });
  return dots.map((row) => row.map((dot) => (dot ? "#" : ".")).join(""));
}

/** What tells of something that is gone is an empty text. */
const seen = (page: DisplayPage): DisplayPage =>
  page.map((thing) =>
    ("elementId" in thing && thing.elementId === "gone") || ("inputId" in thing && thing.inputId === "gone")
      ? {
          shows: "text",
          column: thing.column,
          row: thing.row,
          columns: thing.columns,
          text: " ",
          ...("large" in thing && thing.large ? { large: true } : {}),
        }
      : thing,
  );

describe("what a display shows", () => {
  it(
    "is what the page says, whatever lies on it, on the base and on a layer with its page or without",
    { timeout: 120_000 },
    () =>
      fc.assert(
        fc.property(
          pages,
          fc.option(pages),
          fc.integer({ min: 0, max: 24 }),
          fc.boolean(),
          (base, up, steps, isHeld) => {
            expect(displayPageSchema.safeParse(base).success).toBe(true);
            const design = setPage(setPage(bare, "base", "c0", base), "up", "c0", up);
            const page = isHeld && up ? up : base;
            expect(drawn(design, steps, isHeld)).toEqual(expected(design, seen(page), steps, isHeld));
          },
        ),
        { numRuns: 150, seed: 7 },
      ),
  );

  it("is the same on displays of another class, told by other bytes", () => {
    const page: DisplayPage = [{ shows: "text", column: 3, row: 1, columns: 60, text: "Other" }];
    const told = {
      start: [],
      place: [
        { byte: 0x21, adds: "column" as const },
        { byte: 0x22, adds: "row" as const },
      ],
      before: 0xc0,
      firstColumn: 250,
    };
    const { id } = bare.circuits.find(({ kind }) => kind === "bus-displays")!;
    const design = changeCircuit<BusDisplays>(setPage(bare, "base", "c0", page), id, { told });
    expect(drawn(design, 0, false)).toEqual(expected(design, page, 0, false));
    expect(drawn(design, 0, false).join("")).toContain("#");
  });

  it("is nothing where a display has no page anywhere", () => {
    const run = simulate(bare, { events: [], untilMs: 500 });
    expect(run.ok && run.value.displays).toEqual({});
  });
});

describe("a value in words", () => {
  it.each([
    [0, 255, 0, 128, 5, "  128"],
    [-50, 50, 1, 128, 5, "  0.0"],
    [-50, 50, 1, 0, 5, " -5.0"],
    [0, 12000, 0, 255, 4, "----"],
    [32000, -32000, 4, 255, 7, "-3.2000"],
  ])("from %i to %i with %i behind the point at %i of 255 in %i cells is %j", (low, high, point, value, cells, said) =>
    expect(numberWords({ low, high, point }, value, 255, cells)).toBe(said),
  );
});
