import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { keyBlock } from "../../../tests/support/designs";
import { addControl } from "../edits/controls";
import { changeBoard } from "../edits/boards";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { wholePages } from "../formats/printPages";
import { artifactNamed } from "../exports/registry";
import { ringAreaMm2 } from "../geometry/ring";
import { spansOf, thicknessFor } from "./bending";
import { boardFits } from "./fit";
import { plateDrawings } from "./plateDrawing";
import { usualMaking } from "../document/makingSettings";

const text = async (design: Design, id: string) => {
  const made = await artifactNamed(id)!.make(design);
  return made.ok ? new TextDecoder().decode(made.value.bytes) : made.problems.map(({ message }) => message).join();
};
const block = keyBlock(6, 4);
const plain = { ...block, making: { ...usualMaking, reinforceMm: 0 } };
const standoff = (design: Design, xMm: number, yMm: number) =>
  addControl(design, "fixing", `h${xMm}`, { xMm, yMm, rotationDeg: 0, boardId: "panel" });
const worst = (design: Design) => Math.max(...spansOf(design, 0).map(({ deflectionMm }) => deflectionMm));

describe("bending of a plate", () => {
  it("is worst in the middle and least at the edge", () => {
    const spans = spansOf(plain, 0);
    const of = (id: string) => spans.find(({ controlId }) => controlId === id)!.deflectionMm;
    expect(of("k9")).toBeGreaterThan(of("k1"));
  });
  it("falls with a standoff, a stiffer material, and the layer beneath", () => {
    expect(worst(standoff(plain, 47.6, 28.6))).toBeLessThan(worst(plain));
    expect(worst(changeBoard(plain, "panel", { plate: { material: "steel", thicknessMm: 1.5 } }))).toBeCloseTo(
      (worst(plain) * 2600) / 200_000,
      6,
    );
    expect(worst(block)).toBeLessThan(worst(plain) / 5);
  });
  it("falls with the third power of the thickness, and the cure says so", () => {
    const thick = changeBoard(plain, "panel", { plate: { material: "printed", thicknessMm: 3 } });
    expect(worst(plain) / worst(thick)).toBeCloseTo(8, 6);
    expect(thicknessFor(1.5, 4, 0.5)).toBe(3);
  });
  it("is not guessed where nothing carries the plate", () =>
    expect(spansOf(changeBoard(plain, "panel", { edgeCarried: false }), 0)).toEqual([]));
});

describe("lines of a plate", () => {
  it("grow and shrink with the kerf: edge and openings both by half of it all round", () => {
    const acrylic = changeBoard(block, "panel", { plate: { material: "acrylic", thicknessMm: 3 } });
    const kerf = (design: typeof block) => ({ ...design, making: { ...design.making, kerfMm: 0.2 } });
    const [clean] = plateDrawings(acrylic);
    const [cut] = plateDrawings(kerf(acrylic));
    // A printer has no cut of its own, and what is printed of a cut plate has none either.
    expect(plateDrawings(kerf(block))[0].edge).toEqual(plateDrawings(block)[0].edge);
    expect(plateDrawings(kerf(acrylic), true)[0].openings).toEqual(clean.openings);
    expect(ringAreaMm2(cut.edge)).toBeGreaterThan(ringAreaMm2(clean.edge));
    expect(Math.sqrt(ringAreaMm2(clean.openings[0])) - Math.sqrt(ringAreaMm2(cut.openings[0]))).toBeCloseTo(0.2, 2);
  });
  it("open the layer beneath wider, and leave it out when there is none", () => {
    const [drawing] = plateDrawings(block);
    expect(Math.sqrt(ringAreaMm2(drawing.reinforcement[0]))).toBeCloseTo(16, 0);
    expect(plateDrawings(plain)[0].reinforcement).toEqual([]);
  });
  it("join openings that run into each other", () => {
    const lamp = addControl(block, "lamp", "l", { xMm: 8, yMm: 0, rotationDeg: 0, boardId: "panel" });
    expect(plateDrawings(lamp)[0].openings).toHaveLength(24);
  });
});

describe("will it fit", () => {
  it("knows the price step, and the one that was nearly reached", () => {
    const sized = (columns: number, rows: number) => boardFits(keyBlock(columns, rows))[0];
    expect(sized(4, 4).step!.id).toBe("small");
    expect(sized(5, 4)).toMatchObject({ step: { id: "large" }, nearMiss: { step: { id: "small" } } });
    expect(sized(8, 4).nearMiss).toBeNull();
    expect(boardFits({ ...keyBlock(5, 4), making: { ...usualMaking, priceSteps: [] } })[0].step).toBeNull();
  });
  it("has nothing to say of an empty board", () => expect(boardFits(newDesign("d", "D"))).toEqual([]));
});

describe("sheets for paper", () => {
  it("take as many pages as the plate needs, with a scale bar on each", async () => {
    const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
    const html = await text(loom, "print-sheets");
    const pages = html.match(/<section>/g)!.length;
    expect(html).toContain(`page 1 of ${pages}, 1 : 1`);
    expect(pages).toBeGreaterThan(1);
    expect(html.match(/>100 mm</g)).toHaveLength(pages);
    expect(html).toContain('width="210mm" height="297mm"');
    expect(await text(keyBlock(2, 2), "print-sheets")).toContain("page 1 of 1");
  });

  it("carry the legends of every layer, safely written", async () => {
    const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
    const html = await text(loom, "legend-sheet");
    expect(html).toContain(">Q</text>");
    expect(html).toContain("hold for");
    const odd = { ...block, controls: block.controls.map((c) => ({ ...c, label: "<b>&" })) } as Design;
    expect(
      await text(
        { ...odd, keymap: { ...odd.keymap, layers: [{ ...odd.keymap.layers[0], bindings: {} }] } },
        "legend-sheet",
      ),
    ).toContain("&lt;b&gt;&amp;");
  });

  it("put each board's caps on pages of its own and cut through none", async () => {
    const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
    const pages = (await text(loom, "legend-sheet")).split("<section>").slice(1);
    expect(pages.map((page) => /Loom 64: legends, [^<]*/.exec(page)![0])).toEqual([
      "Loom 64: legends, Left half, page 1 of 1, 1 : 1",
      "Loom 64: legends, Right half, page 1 of 1, 1 : 1",
    ]);
    const caps = (page: string) => page.match(/translate\([^)]*\) rotate/g)?.length ?? 0;
    expect(pages.map(caps)).toEqual([32, 32]);
    const glasshouse = demoDesigns.find(({ id }) => id === "glasshouse")!;
    const wide = (await text(glasshouse, "legend-sheet")).split("<section>").slice(1);
    expect(wide.length).toBeGreaterThan(1);
  });

  it("share caps out over pages so that each is whole on exactly one", () => {
    const box = fc.record({
      x: fc.integer({ min: 0, max: 600 }),
      y: fc.integer({ min: 0, max: 600 }),
      w: fc.integer({ min: 5, max: 150 }),
    });
    fc.assert(
      fc.property(fc.array(box, { maxLength: 40 }), (boxes) => {
        const things = boxes.map(({ x, y, w }, nth) => ({
          box: { minXMm: x, minYMm: y, maxXMm: x + w, maxYMm: y + w },
          content: String(nth),
        }));
        const made = wholePages(things);
        expect(
          made
            .flat()
            .map(({ content }) => content)
            .sort(),
        ).toEqual(things.map(({ content }) => content).sort());
        for (const page of made) {
          const span = (from: "minXMm" | "minYMm", to: "maxXMm" | "maxYMm") =>
            Math.max(...page.map((one) => one.box[to])) - Math.min(...page.map((one) => one.box[from]));
          expect(span("minXMm", "maxXMm")).toBeLessThanOrEqual(190);
          expect(span("minYMm", "maxYMm")).toBeLessThanOrEqual(263);
        }
      }),
    );
  });

  it("say that there is nothing to draw yet", async () => {
    const empty = newDesign("d", "D");
    for (const id of ["print-sheets", "legend-sheet", "plate-svg", "plate-dxf", "plate-stl"])
      expect(await text(empty, id)).toMatch(/nothing to press yet|are none yet/);
  });
});

describe("tables", () => {
  it("list every round hole once, with posts and standoffs", async () => {
    const stick = addControl(standoff(block, 150, 0), "stick", "s", {
      xMm: 180,
      yMm: 0,
      rotationDeg: 0,
      boardId: "panel",
    });
    const lines = (await text(stick, "drill-csv")).trim().split("\r\n");
    // One standoff, one round opening of the stick and its four posts.
    expect(lines).toHaveLength(1 + 1 + 1 + 4);
    expect(lines[0]).toBe("No.,x (mm),y (mm),diameter (mm),of,board");
  });
});

describe("a solid", () => {
  it("is refused where openings run across the edge, with the board's name and the cure", async () => {
    const tight = changeBoard(block, "panel", { marginMm: 0, cornerRadiusMm: 0 });
    const wide = { ...tight, making: { ...tight.making, reinforceClearMm: 4 } };
    expect(await text(wide, "plate-stl")).toMatch(/openings that run across its edge .* a larger margin cures it/);
  });
});
