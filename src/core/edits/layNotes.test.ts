import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { keyBlock } from "../../../tests/support/designs";
import { derive } from "../derived/derive";
import { gapsOf, noteOfScale, notesOfScale, scaleIds } from "../keymap/scales";
import { layNotes, noteOrder, usualLay } from "./layNotes";

const block = keyBlock(3, 2);
const presses = derive(block).inputs.map(({ id }) => id);
const notesOf = (design: typeof block) =>
  Object.entries(design.keymap.layers[0].bindings).map(([id, one]) => [id, one.does === "note" ? one.note : null]);

describe("notes over keys", () => {
  it("rise from the left, the row near the player first, or the far one", () => {
    const near = layNotes(block, "base", presses, usualLay)!;
    expect(notesOf(near)).toEqual(noteOrder(block, presses, "near").map((id, nth) => [id, 60 + nth]));
    const yOf = (id: string) => derive(block).controls.get(derive(block).inputs.find((i) => i.id === id)!.controlId)!;
    expect(yOf(noteOrder(block, presses, "near")[0]).placement.yMm).toBeGreaterThan(
      yOf(noteOrder(block, presses, "far")[0]).placement.yMm,
    );
  });

  it("follow a scale", () => {
    const major = layNotes(block, "base", presses, { ...usualLay, scale: "major", first: 62 })!;
    expect(notesOf(major).map(([, note]) => note)).toEqual([62, 64, 66, 67, 69, 71]);
  });

  it("are refused when they would run out, and the design is as it was", () => {
    expect(layNotes(block, "base", presses, { ...usualLay, first: 122 })).not.toBeNull();
    expect(layNotes(block, "base", presses, { ...usualLay, first: 123 })).toBeNull();
    expect(layNotes(block, "base", [], usualLay)).toBe(block);
    expect(layNotes(block, "base", ["gone:press"], usualLay)).toBe(block);
  });
});

describe("scales", () => {
  it("rise, and come back after an octave", () =>
    fc.assert(
      fc.property(fc.constantFrom(...scaleIds), fc.integer({ min: 0, max: 60 }), (scale, first) => {
        const count = notesOfScale(scale, first);
        const notes = Array.from({ length: count }, (_, nth) => noteOfScale(scale, first, nth));
        expect(notes.every((note, nth) => nth === 0 || note > notes[nth - 1])).toBe(true);
        expect(notes).toContain(first + 12);
        expect(noteOfScale(scale, first, count)).toBeGreaterThan(127);
        expect(gapsOf(notes)).toMatchObject({ missing: [] });
      }),
    ));

  it("tell what is left out", () => {
    expect(gapsOf([60, 62, 64, 65, 69, 71, 72])).toEqual({ scale: "major", missing: [67] });
    expect(gapsOf([60, 61, 62, 63, 65, 66])).toEqual({ scale: "chromatic", missing: [64] });
  });
});
