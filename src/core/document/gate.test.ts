import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { keyBlock } from "../../../tests/support/designs";
import { addBoard } from "../edits/boards";
import { addControl, shiftControls } from "../edits/controls";
import { bind } from "../edits/keymap";
import { shareOutDirect, adoptMatrixCells, wireNew } from "../edits/wiring";
import { lockCells, setReversed } from "../edits/matrixDiodes";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import { matrixParts, planPartInOrder, usualMatrixWish } from "../matrix/planMatrix";
import { derive } from "../derived/derive";
import { refusalOf } from "./gate";
import { newDesign } from "./newDesign";
import { readDesign } from "./readDesign";
import type { Design } from "./schema";

/** Whether reading takes a design: what the gate must agree with. */
const isRead = (design: Design) => readDesign(JSON.parse(JSON.stringify(design))).ok;

const field = keyBlock(25, 12);
const all = [...derive(field).elements.keys()];

describe("the gate", () => {
  it.each(["direct", "input-registers", "multiplexer", "expander", "ladder"] as const)(
    "takes 300 keys in one circuit: %s",
    (kind) => {
      const wired = wireNew(field, kind, all);
      expect(refusalOf(wired, field)).toBeNull();
      expect(isRead(wired)).toBe(true);
    },
  );

  it("takes kept cells and turned diodes of 300 keys", () => {
    const matrix = shareOutMatrix(field, "fewest-pins");
    for (const next of [lockCells(matrix, all, true), setReversed(matrix, all, true), shareOutDirect(matrix)]) {
      expect(refusalOf(next, matrix)).toBeNull();
      expect(isRead(next)).toBe(true);
    }
  });

  it("gives 28 boards with a matrix each ids that can be read", () => {
    let design = newDesign("many", "Many");
    for (let nth = 0; nth < 27; nth++) design = addBoard(design, `b${nth}`, `Board ${nth}`, "module");
    for (const [nth, board] of design.boards.entries())
      for (let key = 0; key < 4; key++)
        design = addControl(design, "key", `k${nth}-${key}`, {
          xMm: 20 * nth,
          yMm: 20 * key,
          rotationDeg: 0,
          boardId: board.id,
        });
    expect(design.boards).toHaveLength(28);
    const parts = matrixParts(design, { ...usualMatrixWish, perBoard: true });
    design = adoptMatrixCells(
      design,
      parts.flatMap((part) => planPartInOrder(part) ?? []),
    );
    expect(design.circuits).toHaveLength(28);
    expect(isRead(design)).toBe(true);
  });

  const base = demoDesigns[0];
  const refusals: [string, (design: Design) => Design, string][] = [
    [
      "a part beyond the mat",
      (d) => shiftControls(d, [d.controls[0].id], 5000, 0),
      `${base.controls[0].label}, x (mm) is more than 2000.`,
    ],
    [
      "41 boards",
      (d) => ({ ...d, boards: Array.from({ length: 41 }, (_, nth) => ({ ...d.boards[0], id: `b${nth}` })) }),
      "The boards are 41; a design holds 40.",
    ],
    ["no board", (d) => ({ ...d, boards: [] }), "The boards are 0; a design needs 1."],
    ["a name without a letter", (d) => ({ ...d, name: "" }), "The design's name has fewer than 1 characters."],
    [
      "a part twice",
      (d) => ({ ...d, controls: [...d.controls, d.controls[0]] }),
      `uses the id "${base.controls[0].id}" a second time; each needs its own.`,
    ],
    [
      "a part on no board",
      (d) => ({ ...d, boards: d.boards.map((board) => ({ ...board, id: `${board.id}x` })) }),
      "which the design does not have.",
    ],
    [
      "a layer that is not there",
      (d) => bind(d, d.keymap.layers[0].id, "x:press", { does: "hold-layer", layerId: "nowhere" }),
      `leads to the layer "nowhere"`,
    ],
    ["a field of no design", (d) => ({ ...d, more: 1 }) as Design, "more is not known."],
  ];
  it.each(refusals)("refuses %s, and so does reading", (_title, change, words) => {
    const next = change(base);
    expect(refusalOf(next, base)).toContain(words);
    expect(isRead(next)).toBe(false);
  });

  it("looks only at what an edit changed", () => {
    const bad = { ...base, name: "" };
    expect(refusalOf({ ...bad, note: "x" }, bad)).toBeNull();
  });
});
