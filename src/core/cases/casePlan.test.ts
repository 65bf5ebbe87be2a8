import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns, variantDesigns } from "@demo/index";
import { type CaseSettings, usualCase, usualLayers } from "../document/caseSettings";
import type { Design } from "../document/schema";
import { setBoardWay } from "../edits/build";
import { addControl, changeControl } from "../edits/controls";
import { moveController } from "../edits/pins";
import { STANDOFFS_MM, stackOf } from "../making/stack";
import { keyBlock } from "../../../tests/support/keyBlock";
import { finishedPad } from "../../../tests/support/designs";
import { type CasePlan, casePlan, chosenCase, hasTowers, outsideRing, wayOutMm } from "./casePlan";
import { caseTroubles } from "./caseTroubles";
import { frameScrews } from "./layerPlan";
import { towerPlaces } from "./towerPlaces";

const named = (id: string) => demoDesigns.find((design) => design.id === id)!;
const planned = (design: Design, change: Partial<CaseSettings> = {}): CasePlan =>
  casePlan({ ...design, case: { ...usualCase, ...change } }, design.boards[0])!;
const withFixing = (design: Design, id: string, xMm: number, yMm: number, partId: string): Design =>
  changeControl(addControl(design, "fixing", id, { xMm, yMm, rotationDeg: 0, boardId: design.boards[0].id }), id, {
    partId,
    label: id.toUpperCase(),
  });
const told = (design: Design, change: Partial<CaseSettings> = {}) => {
  const own = { ...design, case: { ...usualCase, ...change } };
  return caseTroubles(own, casePlan(own, own.boards[0])!).map(({ message }) => message);
};

describe("what hangs over above the rim", () => {
  it("is in no wall's way, and is with a rim", () => {
    const block = keyBlock(3, 3);
    // The plate ends where the switches end: caps hang over.
    const outline = [
      { xMm: -8, yMm: -8 },
      { xMm: 46.1, yMm: -8 },
      { xMm: 46.1, yMm: 46.1 },
      { xMm: -8, yMm: 46.1 },
    ];
    const design = { ...block, boards: [{ ...block.boards[0], outline, cornerRadiusMm: 0 }] };
    const caps = (rimMm: number) =>
      told(design, { wallMm: 1, rimMm }).filter((message) => /^Cap of K\d+ reaches/.test(message)).length;
    expect(caps(0)).toBe(0);
    expect(caps(12)).toBe(8);
  });
});

describe("the plan of a case", () => {
  it("is there for every board that has an edge and a plate, and chosen only where somebody chose", () => {
    for (const design of [...demoDesigns, ...variantDesigns, ...modularDesigns])
      for (const board of design.boards) {
        expect(casePlan(design, board)).not.toBeNull();
        expect(chosenCase(design, board)).toBeNull();
        expect(hasTowers(design, board)).toBe(false);
      }
    const loose = keyBlock(2, 2);
    expect(
      casePlan({ ...loose, boards: [{ ...loose.boards[0], kind: "loose" }] }, { ...loose.boards[0], kind: "loose" }),
    ).toBeNull();
    expect(casePlan(setBoardWay(loose, "panel", { way: "direct" }), loose.boards[0])).toBeNull();
  });

  it.each(["inserts", "self-cutting", "bought"] as const)(
    "leaves at least the stack's height beneath the plate, %s",
    (towers) => {
      for (const design of demoDesigns)
        for (const board of design.boards) {
          const plan = casePlan({ ...design, case: { ...usualCase, towers } }, board)!;
          const stack = stackOf(design, board)!;
          expect(plan.seatMm).toBe(-board.plate.thicknessMm);
          expect(plan.seatMm - plan.floorMm).toBeGreaterThanOrEqual(stack.innerMm - 1e-9);
          expect(plan.floorMm - plan.backMm).toBeCloseTo(2.4, 9);
          if (towers === "bought") expect(STANDOFFS_MM).toContain(plan.seatMm - plan.floorMm);
          else expect(plan.seatMm - plan.floorMm - stack.innerMm).toBeLessThan(0.2 + 1e-9);
          for (const { bottomMm } of plan.stack.bodies)
            expect(bottomMm - plan.floorMm).toBeGreaterThanOrEqual(1 - 1e-9);
        }
    },
  );

  it("takes whole sheets for layers, of which standoffs are sold where standoffs stand between them", () => {
    const tern = casePlan({ ...named("tern"), case: usualLayers }, named("tern").boards[0])!;
    const inner = tern.seatMm - tern.floorMm;
    expect((inner / 3) % 1).toBeCloseTo(0, 9);
    expect(STANDOFFS_MM).toContain(inner);
    expect(tern.floorMm - tern.backMm).toBe(3);
    expect(tern.towers.every(({ outerMm }) => outerMm === 0)).toBe(true);
  });

  it("a made board without a plate is what the case carries", () => {
    const design = setBoardWay(
      { ...keyBlock(2, 2), boards: [{ ...keyBlock(2, 2).boards[0], plate: { material: "board", thicknessMm: 1.6 } }] },
      "panel",
      { way: "made-board" },
    );
    expect(planned(design).seatMm).toBe(-1.6);
  });

  it("gives each standoff a tower for the largest screw that goes through its hole", () => {
    const design = withFixing(withFixing(keyBlock(3, 3), "h1", -20, -20, "standoff-m2"), "h2", 60, 60, "standoff-m3");
    const { towers } = planned(design);
    expect(towers.map(({ size, holeMm, outerMm }) => [size.name, holeMm, outerMm])).toEqual([
      ["M2", 3.2, 6.4],
      ["M3", 4, 7.2],
    ]);
    // From the front: the plate's 1.5 mm and an insert's length, as screws are sold.
    expect(towers.map(({ screwMm }) => screwMm)).toEqual([6, 8]);
    expect(planned(design, { towers: "self-cutting" }).towers.map(({ screwMm }) => screwMm)).toEqual([8, 10]);
    // A plain hole carries nothing.
    const plain = changeControl(design, "h1", { carries: false });
    expect(planned(plain).towers.map(({ controlId }) => controlId)).toEqual(["h2"]);
  });

  it("the way out of a plug is measured to the outside of the wall", () => {
    const under = moveController(named("kestrel"), { ...named("kestrel").controllers[0].placement, side: "under" });
    const plan = planned(under, { wallMm: 5, clearMm: 1 });
    const [plug] = plan.openings;
    const lowest = Math.max(...plan.edge.map(({ yMm }) => yMm));
    expect(plug.outward.yMm).toBeCloseTo(1, 9);
    expect(wayOutMm(plan, plug)).toBeCloseTo(lowest - plug.at.yMm + 6, 6);
    expect(Math.max(...outsideRing(plan).map(({ yMm }) => yMm))).toBeCloseTo(lowest + 6, 2);
  });

  it("a cable to another part leaves by the nearest wall", () => {
    const design = modularDesigns[0];
    const plan = planned(design);
    const cables = plan.openings.filter(({ controllerId }) => controllerId === null);
    expect(cables.length).toBeGreaterThan(0);
    for (const { at, outward, fromMm, toMm } of cables) {
      expect(Math.hypot(outward.xMm, outward.yMm)).toBeCloseTo(1, 9);
      expect(wayOutMm(plan, { ...cables[0], at, outward })).toBeCloseTo(3.4, 6);
      expect(fromMm).toBeGreaterThanOrEqual(plan.floorMm);
      expect(toMm).toBeLessThanOrEqual(plan.seatMm);
    }
  });
});

/** The pad with its module under it, its plug out of the upper edge of a wide plate, so far from the left. */
function plugAt(xMm: number): Design {
  const outline = [
    { xMm: -40, yMm: -60 },
    { xMm: 140, yMm: -60 },
    { xMm: 140, yMm: 90 },
    { xMm: -40, yMm: 90 },
  ];
  const pad = finishedPad();
  const moved = moveController(
    { ...pad, boards: [{ ...pad.boards[0], outline }] },
    { xMm, yMm: -20, rotationDeg: 0, side: "under" },
  );
  return { ...moved, case: { ...usualCase, wallMm: 8 } };
}

const isInWay = (plan: CasePlan, p: { xMm: number; yMm: number }, half: number) =>
  plan.openings.some(({ at, widthMm, outward }) => {
    expect(outward.yMm).toBeCloseTo(-1, 9);
    return Math.abs(p.xMm - at.xMm) < widthMm / 2 + half && p.yMm < at.yMm + half;
  });

describe("a plug's way", () => {
  it("is kept by screws of the frame and by standoffs near the corners, wherever it is", () => {
    for (let xMm = -28; xMm <= 128; xMm += 2) {
      const design = plugAt(xMm);
      const layers: Design = { ...design, case: usualLayers };
      const cut = casePlan(layers, layers.boards[0])!;
      expect(cut.openings.length).toBe(1);
      const screws = frameScrews(cut);
      expect(screws.length).toBeGreaterThanOrEqual(8);
      for (const screw of screws) expect(isInWay(cut, screw, 1.7)).toBe(false);
      const plan = casePlan(design, design.boards[0])!;
      const towers = towerPlaces(plan);
      expect(towers.length).toBe(4);
      for (const tower of towers) expect(isInWay(plan, tower, 3)).toBe(false);
    }
  });
});

describe("what keeps a case from fitting", () => {
  const corners = withFixing(withFixing(keyBlock(3, 3), "h1", -20, -20, "standoff-m2"), "h2", 60, 60, "standoff-m2");

  it("is nothing for a plate that towers hold", () => {
    expect(told(corners)).toEqual([]);
  });

  it("is told with the numbers in it", () => {
    expect(told(keyBlock(3, 3))).toEqual([
      "The plate of Panel lies on the wall and nothing holds it down: add standoffs in Layout, or glue it in.",
    ]);
    const free = { ...keyBlock(3, 3), boards: [{ ...keyBlock(3, 3).boards[0], edgeCarried: false }] };
    expect(told(free)).toEqual([
      "Nothing carries the plate of Panel: add standoffs in Layout, or let the case carry its edge.",
    ]);
    expect(told(withFixing(keyBlock(3, 3), "h1", 9, 0, "standoff-m2"))[0]).toMatch(
      /^H1 has \d\.\d mm around its middle, its tower wants 3\.2 mm: move it away from what is beside it\.$/,
    );
    expect(told(corners, { way: "layers", wallMm: 5, bedId: "sheet" })).toEqual([
      "The frame of 5.0 mm is too narrow for screws through it: at least 7.4 mm, two beside a hole of 3.4 mm.",
    ]);
  });

  it("is a bed or a sheet that is too small", () => {
    const bed = (widthMm: number): Design => ({
      ...corners,
      making: { ...corners.making, beds: [{ id: "b", name: "Lid", widthMm, heightMm: widthMm }] },
    });
    expect(told(bed(100))).toEqual([]);
    expect(told({ ...keyBlock(10, 4), making: bed(20).making })).toEqual([
      "The case does not fit Lid of 20 × 20 mm, nor does it in a dozen pieces each way: choose a larger bed.",
      "The plate of Panel lies on the wall and nothing holds it down: add standoffs in Layout, or glue it in.",
    ]);
    expect(told(bed(60), { way: "layers", wallMm: 8 })[0]).toMatch(
      /^Layers of \d+ × \d+ mm are larger than Lid of 60 × 60 mm: choose a larger sheet\.$/,
    );
  });

  it("is a module outside, a plug too deep, a part beyond the wall", () => {
    expect(
      told(finishedPad()).some((message) => /^A1, .* lies on the plate's front, outside the case/.test(message)),
    ).toBe(true);
    const away = moveController(named("glasshouse"), { xMm: 150, yMm: 100, side: "under" });
    expect(
      told(away).some((message) =>
        /^The plug of A1 lies [\d.]+ mm behind the outside of the wall, too deep/.test(message),
      ),
    ).toBe(true);
    const narrow = {
      ...corners,
      boards: [
        {
          ...corners.boards[0],
          outline: [
            { xMm: -25, yMm: -25 },
            { xMm: 40, yMm: -25 },
            { xMm: 40, yMm: 65 },
            { xMm: -25, yMm: 65 },
          ],
        },
      ],
    };
    expect(
      told(narrow).some((message) =>
        /^K\d+ reaches [\d.]+ mm beyond the plate's edge and leaves nothing of the wall/.test(message),
      ),
    ).toBe(true);
  });
});
