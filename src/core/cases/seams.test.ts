import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { usualCase } from "../document/caseSettings";
import type { Bed } from "../document/makingSettings";
import type { Design } from "../document/schema";
import { addControl } from "../edits/controls";
import { rotate } from "../geometry/point";
import { isInside } from "../geometry/ring";
import { keyBlock } from "../../../tests/support/keyBlock";
import { caseTroubles } from "./caseTroubles";
import { casePlan, outsideRing } from "./casePlan";
import { feetOf } from "./feet";
import { TOOTH_MM, seamsFor } from "./seams";

const bed = (widthMm: number, heightMm: number): Bed => ({ id: "b", name: "b", widthMm, heightMm });
const planOf = (design: Design, tiltDeg = 0) =>
  casePlan({ ...design, case: { ...usualCase, tiltDeg } }, design.boards[0])!;

describe("seams of a case", () => {
  it("are none where it fits whole, turned too", () => {
    const plan = planOf(keyBlock(10, 4));
    const ring = outsideRing(plan);
    expect(seamsFor(plan, ring, [ring], bed(220, 220))).toEqual([]);
    expect(seamsFor(plan, ring, [ring], bed(100, 210))).toEqual([]);
    expect(seamsFor(plan, ring, [ring], bed(20, 20))).toBeNull();
  });

  it("leave parts that fit the bed with their teeth, and run through no tower", () => {
    let [allSeams, allCut] = [0, 0];
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 16 }),
        fc.integer({ min: 2, max: 8 }),
        fc.integer({ min: 70, max: 250 }),
        fc.integer({ min: 70, max: 250 }),
        (columns, rows, width, height) => {
          const block = keyBlock(columns, rows);
          const design = [1, 2, 3].reduce(
            (next, nth) =>
              addControl(next, "fixing", `h${nth}`, {
                xMm: nth * 38.1 - 9.5,
                yMm: 9.5,
                rotationDeg: 0,
                boardId: "panel",
              }),
            block,
          );
          const plan = planOf(design);
          const ring = outsideRing(plan);
          const seams = seamsFor(plan, ring, [ring], bed(width, height));
          if (seams === null || seams.length === 0) return;
          const xs = ring.map(({ xMm }) => xMm);
          const ys = ring.map(({ yMm }) => yMm);
          const parts = (axis: "xMm" | "yMm", from: number, to: number) => {
            const cuts = seams.filter((seam) => seam.axis === axis).map(({ atMm }) => atMm);
            const ends = [from, ...cuts, to];
            return ends.slice(1).map((end, nth) => end - ends[nth] + (nth < cuts.length ? TOOTH_MM.long : 0));
          };
          const w = Math.max(...parts("xMm", Math.min(...xs), Math.max(...xs)));
          const h = Math.max(...parts("yMm", Math.min(...ys), Math.max(...ys)));
          expect(Math.max(w, h)).toBeLessThanOrEqual(Math.max(width, height) + 1e-9);
          expect(Math.min(w, h)).toBeLessThanOrEqual(Math.min(width, height) + 1e-9);
          let cutThrough = 0;
          for (const { axis, atMm, teethMm } of seams) {
            for (const { at, outerMm } of plan.towers) {
              const free = at[axis] + outerMm / 2 < atMm || at[axis] - outerMm / 2 > atMm + TOOTH_MM.long;
              if (!free) cutThrough += 1;
            }
            for (let nth = 1; nth < teethMm.length; nth++)
              expect(teethMm[nth] - teethMm[nth - 1]).toBeGreaterThanOrEqual(TOOTH_MM.head + 2);
          }
          // What could not be avoided is told.
          const through = seams.flatMap((seam) => seam.through);
          if (cutThrough > 0) expect(through.length).toBeGreaterThanOrEqual(cutThrough);
          const messages = caseTroubles(
            { ...design, case: { ...usualCase, bedId: "b" }, making: { ...design.making, beds: [bed(width, height)] } },
            { ...plan, settings: { ...plan.settings, bedId: "b" } },
          ).map(({ message }) => message);
          expect(messages.some((message) => message.startsWith("A seam"))).toBe(through.length > 0);
          allSeams += seams.length;
          allCut += cutThrough;
        },
      ),
      { numRuns: 60 },
    );
    expect(allSeams).toBeGreaterThan(50);
    // Three towers on the way leave nearly always a place beside them.
    expect(allCut / allSeams).toBeLessThan(0.1);
  });
});

describe("a seam that would meet a tower", () => {
  const wide = keyBlock(12, 3);
  const middle = (() => {
    const xs = outsideRing(planOf(wide)).map(({ xMm }) => xMm);
    return (Math.min(...xs) + Math.max(...xs)) / 2;
  })();
  const towerAt = (xMm: number) =>
    planOf(addControl(wide, "fixing", "h", { xMm, yMm: 9.5, rotationDeg: 0, boardId: "panel" }));

  it("goes aside by as little as it has to, in no more parts, and each still fits", () => {
    for (let by = -9; by <= 9; by += 1.5) {
      const plan = towerAt(middle + by);
      const ring = outsideRing(plan);
      const xs = ring.map(({ xMm }) => xMm);
      const across = Math.max(...xs) - Math.min(...xs);
      const [seam, ...others] = seamsFor(plan, ring, [ring], bed(across * 0.7, 120))!;
      expect(others).toEqual([]);
      expect(seam.through).toEqual([]);
      const half = plan.towers[0].outerMm / 2;
      const at = plan.towers[0].at.xMm;
      expect(at + half < seam.atMm || at - half > seam.atMm + TOOTH_MM.long).toBe(true);
      // A tower and its air on both sides, and the tooth, is all that it may have to go round.
      expect(Math.abs(seam.atMm + TOOTH_MM.long / 2 - middle)).toBeLessThan(2 * half + TOOTH_MM.long + 5);
    }
  });

  it("leaves parts that fit the tightest bed that it takes", () => {
    for (let share = 0.5; share < 0.75; share += 0.01)
      for (const by of [-4, 0, 4]) {
        const plan = towerAt(middle + by);
        const ring = outsideRing(plan);
        const xs = ring.map(({ xMm }) => xMm);
        const [low, high] = [Math.min(...xs), Math.max(...xs)];
        const width = (high - low) * share;
        const seams = seamsFor(plan, ring, [ring], bed(width, 120))!.filter(({ axis }) => axis === "xMm");
        const ends = [low, ...seams.map(({ atMm }) => atMm), high];
        ends.slice(1).forEach((end, nth) => {
          const tooth = nth < seams.length ? TOOTH_MM.long : 0;
          expect(end - ends[nth] + tooth).toBeLessThanOrEqual(Math.max(width, 120) + 1e-9);
        });
      }
  });

  it("has no tooth where another seam crosses it", () => {
    const plan = planOf(keyBlock(12, 12));
    const ring = outsideRing(plan);
    const seams = seamsFor(plan, ring, [ring], bed(130, 130))!;
    expect(new Set(seams.map(({ axis }) => axis)).size).toBe(2);
    for (const { axis, teethMm } of seams)
      for (const other of seams.filter((one) => one.axis !== axis))
        for (const tooth of teethMm)
          expect(tooth + TOOTH_MM.head / 2 < other.atMm || tooth - TOOTH_MM.head / 2 > other.atMm + TOOTH_MM.long).toBe(
            true,
          );
  });
});

describe("feet of a case", () => {
  it("lie under it, at its far edge, as high as the angle wants", () => {
    for (const tiltDeg of [8, -8]) {
      const plan = planOf(keyBlock(8, 4), tiltDeg);
      const ring = outsideRing(plan);
      const { feet, away } = feetOf(plan, ring)!;
      expect(feet.length).toBe(2);
      expect(away.yMm).toBeCloseTo(tiltDeg > 0 ? -1 : 1, 9);
      const along = ring.map((p) => p.xMm * away.xMm + p.yMm * away.yMm);
      const deep = Math.max(...along) - Math.min(...along);
      for (const { footprint, nearMm, farMm } of feet) {
        for (const corner of footprint) expect(isInside(corner, ring)).toBe(true);
        expect(farMm - nearMm).toBeCloseTo(12 * Math.tan((8 * Math.PI) / 180), 6);
        expect(farMm).toBeLessThanOrEqual(deep * Math.tan((8 * Math.PI) / 180));
        expect(farMm).toBeGreaterThan(0.8 * deep * Math.tan((8 * Math.PI) / 180));
      }
      const middles = feet.map(({ footprint }) => footprint.reduce((sum, { xMm }) => sum + xMm / 4, 0));
      expect(Math.abs(middles[1] - middles[0])).toBeGreaterThan(80);
    }
    expect(feetOf(planOf(keyBlock(8, 4)), outsideRing(planOf(keyBlock(8, 4))))).toBeNull();
  });

  it("turn with a board whose keys are turned", () => {
    const block = keyBlock(8, 4);
    const turned: Design = {
      ...block,
      controls: block.controls.map((control) => ({
        ...control,
        placement: { ...control.placement, ...rotate(control.placement, 20), rotationDeg: 20 },
      })),
    };
    const plan = planOf(turned, 6);
    expect(plan.turnDeg).toBe(20);
    const { away } = feetOf(plan, outsideRing(plan))!;
    expect(away.xMm).toBeCloseTo(Math.sin((20 * Math.PI) / 180), 9);
    expect(away.yMm).toBeCloseTo(-Math.cos((20 * Math.PI) / 180), 9);
  });
});
