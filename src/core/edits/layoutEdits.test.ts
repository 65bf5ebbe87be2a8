import { conductorsAcross } from "../wires/across";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { finishedPad, keyBlock } from "../../../tests/support/designs";
import { noWish } from "../document/wish";
import { budgetOf, budgetWords } from "../brief/budget";
import { boardRing } from "../layout/boardOutline";
import { distanceMm } from "../geometry/point";
import { ringAreaMm2 } from "../geometry/ring";
import { type ShapeParams, startShapes } from "../shapes";
import { needsStabiliser } from "../catalogue/kinds/stabiliser";
import { findingsOf } from "../findings/check";
import { newDesign } from "../document/newDesign";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import { addLink, removeBoard } from "./boards";
import { drawOutline, gridModules, mirrorBoard, shiftBoard, turnBoard } from "./boardPlaces";
import { placeBrief } from "./placeBrief";
import { adoptPlan } from "./wireAsPlanned";
import { briefFromLayout, changeWish } from "./wish";
import { changeControl, removeControls } from "./controls";
import { addGroup, changeGroup, dissolveGroup, groupOf } from "./groups";

const counter = () => {
  let n = 0;
  return () => `n${(n += 1)}`;
};
const at = { xMm: 0, yMm: 0, rotationDeg: 0, boardId: "panel" };
const start = (shape: ShapeParams, turn = 0) =>
  addGroup(newDesign("d", "D"), { name: "Shape", kind: "key", at: { ...at, rotationDeg: turn }, shape }, counter())
    .design;
const sound = (design: Design) => {
  const read = readDesign(JSON.parse(JSON.stringify(design)));
  expect(read.ok ? [] : read.problems).toEqual([]);
};
const gaps = (design: Design) => {
  const { controls } = design;
  return controls.flatMap((a, i) => controls.slice(i + 1).map((b) => distanceMm(a.placement, b.placement)));
};

describe("start shapes", () => {
  it.each(startShapes)("$title places keys that do not overlap and can be saved", ({ fresh }) => {
    const design = start(fresh);
    expect(design.controls.length).toBeGreaterThan(2);
    expect(findingsOf(design).filter(({ rule }) => rule === "layout/overlap")).toEqual([]);
    sound(design);
  });

  it.each(startShapes)("$title keeps all distances when turned", ({ fresh }) => {
    const [flat, turned] = [gaps(start(fresh)), gaps(start(fresh, 37))];
    turned.forEach((mm, nth) => expect(mm).toBeCloseTo(flat[nth], 2));
  });

  // Common practice: a typing block is five rows of 15 units; 61 keys with the wide Enter, one more with the tall one
  // and one more with the extra key beside the left Shift.
  it("has the typing block's rows all 15 units wide, national forms included", () => {
    for (const [tallEnter, extraKey, keys] of [
      [false, false, 61],
      [true, true, 63 - 1],
    ] as const) {
      const design = start({ shape: "typing-block", tallEnter, extraKey });
      expect(design.controls).toHaveLength(keys);
      const right = design.controls.map((key) => (key.kind === "key" ? key.placement.xMm / 19.05 + key.widthU / 2 : 0));
      expect(Math.max(...right)).toBeCloseTo(14.5, 3);
    }
  });

  it("gives long keys their stabilisers", () => {
    for (const key of start({ shape: "typing-block", tallEnter: true, extraKey: true }).controls)
      if (key.kind === "key") expect(key.stabiliser).toBe(needsStabiliser(key));
  });
});

describe("a group", () => {
  const grid = start({ shape: "straight-grid", columns: 3, rows: 2 });
  const id = grid.groups[0].id;
  const fresh = counter();
  const again = (shape: ShapeParams) => changeGroup(grid, id, { shape }, () => `x${fresh()}`);

  it("is placed again with new numbers: old controls move, new ones come, surplus ones go", () => {
    const wider = again({ shape: "straight-grid", columns: 4, rows: 2 });
    expect(wider.controls).toHaveLength(8);
    expect(grid.controls.every((old) => wider.controls.some((c) => c.id === old.id))).toBe(true);
    const fewer = again({ shape: "straight-grid", columns: 2, rows: 1 });
    expect(fewer.controls.map((c) => c.id)).toEqual(grid.controls.slice(0, 2).map((c) => c.id));
  });

  it("keeps away what was removed on purpose", () => {
    const less = removeControls(grid, [grid.controls[2].id]);
    const moved = changeGroup(less, id, { at: { xMm: 50 } }, counter());
    expect(moved.controls).toHaveLength(5);
    expect(groupOf(moved, grid.controls[2].id)).toBeUndefined();
  });

  it("goes when its last control goes, and can be let go with all of them staying", () => {
    expect(
      removeControls(
        grid,
        grid.controls.map((c) => c.id),
      ).groups,
    ).toEqual([]);
    expect(dissolveGroup(grid, id).controls).toEqual(grid.controls);
  });

  it("moves and turns as one", () => {
    const turned = changeGroup(grid, id, { at: { rotationDeg: 90 } }, counter());
    expect(turned.controls[1].placement).toMatchObject({ xMm: 0, yMm: 19.05, rotationDeg: 90 });
  });
});

describe("boards", () => {
  const half = { ...keyBlock(4, 3), boards: [{ ...newDesign("d", "D").boards[0], name: "Left half" }] };

  it("are copied in a mirror: every pair of keys is as far apart as before, for all turns and places", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: -90, max: 90 }),
            fc.integer({ min: -60, max: 60 }),
            fc.integer({ min: -180, max: 180 }),
          ),
          {
            minLength: 2,
            maxLength: 12,
          },
        ),
        (places) => {
          const placed = places.reduce<Design>(
            (d, [xMm, yMm, rotationDeg], nth) =>
              changeControl(d, `k${nth + 1}`, { placement: { ...at, xMm, yMm, rotationDeg } }),
            half,
          );
          const both = mirrorBoard(placed, "panel", 40, counter());
          const copy = both.controls.slice(placed.controls.length);
          expect(copy).toHaveLength(placed.controls.length);
          const [before, after] = [gaps(placed), gaps({ ...both, controls: copy })];
          after.forEach((mm, nth) => expect(mm).toBeCloseTo(before[nth], 2));
          copy.forEach((c, nth) => {
            const sum = c.placement.rotationDeg + placed.controls[nth].placement.rotationDeg;
            expect(Math.abs(sum % 360)).toBeCloseTo(0, 6);
          });
          const rings = both.boards.map(({ id }) => boardRing(both, id)!);
          expect(ringAreaMm2(rings[1]) / ringAreaMm2(rings[0])).toBeCloseTo(1, 2);
        },
      ),
    ));

  it("are called right when mirrored from left, and lie the asked gap apart", () => {
    const both = mirrorBoard(half, "panel", 40, counter());
    expect(both.boards[1].name).toBe("Right half");
    const [left, right] = both.boards.map(({ id }) => boardRing(both, id)!.map((p) => p.xMm));
    expect(Math.min(...right) - Math.max(...left)).toBeCloseTo(40, 2);
    sound(both);
  });

  it("move and turn with all they carry, and back again", () => {
    const design = finishedPad();
    const moved = shiftBoard(turnBoard(design, "panel", 30), "panel", 12, -7);
    expect(gaps(moved).every((mm, nth) => Math.abs(mm - gaps(design)[nth]) < 0.01)).toBe(true);
    const back = turnBoard(shiftBoard(moved, "panel", -12, 7), "panel", -30);
    // The hull's middle is measured anew after each turn, so the board may come back a little aside, but not turned.
    expect(back.controls[4].placement.rotationDeg).toBeCloseTo(0, 6);
  });

  it("join on a grid when they are modules, each on a knot of its own", () => {
    const modules = mirrorBoard(half, "panel", 5, counter());
    const kinds = { ...modules, boards: modules.boards.map((board) => ({ ...board, kind: "module" as const })) };
    const middle = (d: Design, nth: number) => {
      const xs = boardRing(d, d.boards[nth].id)!.map((p) => p.xMm);
      return (Math.min(...xs) + Math.max(...xs)) / 2;
    };
    const placed = gridModules(kinds, 100);
    expect(middle(placed, 0) / 100).toBeCloseTo(Math.round(middle(placed, 0) / 100), 3);
    expect(Math.abs(middle(placed, 1) - middle(placed, 0))).toBeGreaterThan(99);
  });

  it("can be drawn by hand, starting from what they are", () => {
    const drawn = drawOutline(half, "panel");
    expect(drawn.boards[0].outline!.length).toBeGreaterThanOrEqual(3);
    expect(findingsOf(drawn).filter(({ rule }) => rule === "layout/outside-outline")).toEqual([]);
    sound(drawn);
  });

  it("stay while they carry something, and take their links along when they go", () => {
    const both = mirrorBoard(half, "panel", 40, counter());
    const linked = addLink(both, "link", "panel", both.boards[1].id);
    expect(removeBoard(linked, "panel")).toBe(linked);
    const empty = removeControls(
      linked,
      linked.controls.slice(12).map((c) => c.id),
    );
    expect(removeBoard(empty, both.boards[1].id)).toMatchObject({ links: [], boards: [{ id: "panel" }] });
  });

  it("know the nets that cross between them", () => {
    const design = finishedPad(2, 2);
    const right = { ...design.boards[0], id: "right", name: "Right" };
    const split = {
      ...design,
      boards: [...design.boards, right],
      controls: design.controls.map((c, nth) =>
        nth % 2 === 1 ? { ...c, placement: { ...c.placement, boardId: "right" } } : c,
      ) as Design["controls"],
    };
    expect(conductorsAcross(split, "panel", "right")).toEqual(expect.arrayContaining(["R2", "C2", "GND"]));
  });
});

describe("the brief's budget", () => {
  const wished = changeWish(newDesign("d", "D"), { keys: 6, encoders: 1, lamps: 2, encoderPush: false });
  const chosen = {
    profileId: "thumb-3v3-11",
    switchStrategy: "matrix",
    lampStrategy: "direct",
    voltageStrategy: "direct",
    turnStrategy: "direct",
  };
  const planned = adoptPlan(wished, chosen);

  it("counts pins before anything is placed: 2 rows and 3 columns, 2 encoder lines, 2 lamps leave 2 of 11", () => {
    expect(budgetOf(planned).pinsLeft).toBe(2);
    expect(budgetWords(budgetOf(planned))).toBe("9 still to place; 2 pins left");
  });

  it("is placed in rows that do not overlap, with the brief's choices", () => {
    const placed = placeBrief(planned, counter());
    expect(budgetWords(budgetOf(placed))).toBe("everything of the brief is placed; 2 pins left");
    expect(findingsOf(placed).filter(({ rule }) => rule === "layout/overlap")).toEqual([]);
    expect(placed.controls.find((c) => c.kind === "encoder")).toMatchObject({ push: false });
    expect(placeBrief(placed, counter())).toBe(placed);
    sound(placed);
  });

  it("tells what is more than the brief, and can be made to say what is placed", () => {
    const placed = placeBrief(planned, counter());
    const more = changeWish(placed, { encoders: 0, lamps: 1 });
    expect(budgetWords(budgetOf(more))).toBe("1 encoder and 1 lamp more than the brief; 2 pins left");
    expect(briefFromLayout(more).brief.wish).toMatchObject({
      ...noWish,
      keys: 6,
      encoders: 1,
      lamps: 2,
      encoderPush: false,
    });
  });
});
