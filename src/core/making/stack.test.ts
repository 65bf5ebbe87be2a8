import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns, variantDesigns } from "@demo/index";
import { setBoardWay, setModuleWay } from "../edits/build";
import { moveController } from "../edits/pins";
import { changeControl } from "../edits/controls";
import type { Design } from "../document/schema";
import { type Stack, type StackBody, stackOf } from "./stack";

const named = (id: string) => demoDesigns.find((design) => design.id === id)!;
const first = (design: Design): Stack => stackOf(design, design.boards[0])!;
const all = [...demoDesigns, ...variantDesigns, ...modularDesigns];

/** Whether two outlines share a place, asked point by point on a raster. */
function meet(a: StackBody, b: StackBody): boolean {
  const inside = ({ outline }: StackBody, x: number, y: number) => {
    const { core, radiusMm } = outline!;
    let within = core.length > 2;
    let near = Infinity;
    core.forEach((p, i) => {
      const q = core[(i + 1) % core.length];
      const [dx, dy] = [q.xMm - p.xMm, q.yMm - p.yMm];
      const t = Math.max(0, Math.min(1, ((x - p.xMm) * dx + (y - p.yMm) * dy) / (dx * dx + dy * dy || 1)));
      near = Math.min(near, Math.hypot(x - p.xMm - t * dx, y - p.yMm - t * dy));
      if (dx * (y - p.yMm) - dy * (x - p.xMm) < 0) within = false;
    });
    return within || near < radiusMm;
  };
  const { core, radiusMm } = a.outline!;
  const xs = core.map(({ xMm }) => xMm);
  const ys = core.map(({ yMm }) => yMm);
  for (let x = Math.min(...xs) - radiusMm; x <= Math.max(...xs) + radiusMm; x += 0.5)
    for (let y = Math.min(...ys) - radiusMm; y <= Math.max(...ys) + radiusMm; y += 0.5)
      if (inside(a, x, y) && inside(b, x, y)) return true;
  return false;
}

describe("the stack on both sides of a plate", () => {
  it.each(all.map((design): [string, Design] => [design.name, design]))(
    "of %s holds everything, and collides nowhere",
    (_, design) => {
      for (const board of design.boards) {
        const { bodies, innerMm, aboveMm, collisions, standoffMm } = stackOf(design, board)!;
        const plate = board.plate.thicknessMm;
        for (const { bottomMm, topMm } of bodies) {
          expect(bottomMm).toBeLessThanOrEqual(topMm);
          expect(-bottomMm).toBeLessThanOrEqual(plate + innerMm - 1 + 1e-9);
          expect(topMm).toBeLessThanOrEqual(aboveMm);
        }
        expect(standoffMm).toBeGreaterThanOrEqual(innerMm - 1e-9);
        expect(collisions).toEqual([]);
        const solid = bodies.filter(({ outline }) => outline !== null);
        for (const a of solid)
          for (const b of solid) {
            if (a.id >= b.id || a.id === `cap ${b.id}` || b.id === `cap ${a.id}`) continue;
            if (a.bottomMm < b.topMm && b.bottomMm < a.topMm)
              expect(meet(a, b), `${a.title} and ${b.title}`).toBe(false);
          }
      }
    },
  );

  it("of switches wired by hand: legs 8.3 mm below the plate's front, wires beneath them, air", () => {
    const { innerMm, aboveMm, standoffMm, screwMm, boardDepthMm } = first(named("loom-64"));
    // 8.3 mm of switch and 5 mm of wires, less 1.5 mm of plate, and 1 mm of air.
    expect(innerMm).toBeCloseTo(8.3 + 5 - 1.5 + 1, 9);
    expect(standoffMm).toBe(15);
    // 1.5 mm of plate and 4 mm in the standoff.
    expect(screwMm).toBe(6);
    expect(aboveMm).toBeCloseTo(11.6 + 5, 9);
    expect(boardDepthMm).toBeNull();
  });

  it("on a made board: its top 5 mm beneath the plate's front, a module in sockets under it deeper than a soldered one", () => {
    const loom = named("loom-64");
    const made = setBoardWay(loom, "left", { way: "made-board" });
    expect(first(made).boardDepthMm).toBe(5);
    expect(first(made).innerMm).toBeLessThan(first(loom).innerMm);
    const under = moveController(made, { xMm: 40, yMm: 40, side: "under" });
    const soldered = first(under).innerMm;
    // 5 mm to the board, 1.6 of it, 2 of joints, 2.5 of pin rows, 4.5 of module, less 1.5 of plate, 1 of air.
    expect(soldered).toBeCloseTo(5 + 1.6 + 2 + 2.5 + 4.5 - 1.5 + 1, 9);
    expect(first(setModuleWay(under, "controller", "socketed")).innerMm).toBeCloseTo(soldered - 2.5 + 11, 9);
  });

  it("tells a module among the caps as a collision, and parts that want the board at another depth", () => {
    const loom = named("loom-64");
    const { collisions } = first(moveController(loom, { xMm: 40, yMm: 40, side: "top" }));
    expect(collisions.some((pair) => pair.some((title) => title.startsWith("A1")))).toBe(true);
    const mixed = setBoardWay(changeControl(loom, loom.controls[0].id, { partId: "tact-12" }), "left", {
      way: "made-board",
    });
    expect(first(mixed).misfits).toEqual([{ title: "12 mm tactile switch on a board", seatMm: 4 }]);
  });

  it("lets the plug out where the module's connector is, at the module's height", () => {
    const [plug] = first(named("kestrel")).plugs;
    const { placement } = named("kestrel").controllers[0];
    expect(Math.hypot(plug.at.xMm - placement.xMm, plug.at.yMm - placement.yMm)).toBeGreaterThan(5);
    expect(plug.middleMm).toBeCloseTo(2.25, 9);
    expect(plug.widthMm).toBeGreaterThanOrEqual(12);
  });

  it("of loose parts there is none", () => {
    const loose = {
      ...named("kestrel"),
      boards: named("kestrel").boards.map((board) => ({ ...board, kind: "loose" as const })),
    };
    expect(stackOf(loose, loose.boards[0])).toBeNull();
  });
});
