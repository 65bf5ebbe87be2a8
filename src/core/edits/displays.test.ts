import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { rowOf } from "../../../tests/support/litRows";
import { displayPageSchema, rowsOf } from "../document/displayPages";
import { displays } from "../findings/rules/displays";
import { derive } from "../derived/derive";
import { addControl, changeControl, removeControls } from "./controls";
import { firstPage, setPage } from "./displays";

const at = { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" };
const withDisplay = (widthPx: number, heightPx: number) =>
  changeControl(addControl(finishedPad(6, 5), "display", "glass", at), "glass", { widthPx, heightPx });

describe("the first page of a display", () => {
  it.each([
    [128, 64],
    [128, 32],
    [96, 16],
    [64, 48],
    [255, 248],
    [8, 8],
  ])("of %i × %i dots lies within it, nothing on anything else", (widthPx, heightPx) => {
    const design = withDisplay(widthPx, heightPx);
    const page = firstPage(design, { widthPx, heightPx });
    expect(displayPageSchema.safeParse(page).success).toBe(true);
    expect(page.length).toBeGreaterThan(0);
    for (const thing of page) {
      expect(thing.column + thing.columns).toBeLessThanOrEqual(widthPx);
      expect(8 * (thing.row + rowsOf(thing))).toBeLessThanOrEqual(heightPx);
    }
    const laid = setPage(design, "base", "glass", page);
    const told = displays.check(laid, derive(laid)).map(({ message }) => message);
    expect(told.filter((message) => /beyond|beneath|gone/.test(message))).toEqual([]);
  });

  it("of a device without keys is the layer's name", () =>
    expect(firstPage(rowOf("display", 1, "small-5v-18"), { widthPx: 128, heightPx: 64 })).toEqual([
      { shows: "layer", column: 0, row: 0, columns: 128, large: true },
    ]));
});

describe("pages", () => {
  it("go with their display", () => {
    const design = setPage(withDisplay(128, 64), "base", "glass", []);
    expect(design.keymap.layers[0].displays).toEqual({ glass: [] });
    expect(removeControls(design, ["glass"]).keymap.layers[0].displays).toEqual({});
  });

  it("are those of the layer beneath where there is none", () => {
    const design = setPage(withDisplay(128, 64), "base", "glass", []);
    expect(setPage(design, "base", "glass", null).keymap.layers[0].displays).toEqual({});
  });
});
