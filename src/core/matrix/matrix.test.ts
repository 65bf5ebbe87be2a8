import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { keyBlock, matrixOf, withDiodes } from "../../../tests/support/designs";
import type { MatrixCircuit } from "../circuits/matrix";
import { setOwnDiode } from "../edits/matrixDiodes";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import { ElectricalWorld } from "../engine/electricalWorld";
import { scanTableOf } from "../firmware/scanTable";
import { point } from "../geometry/point";
import { ghostsOf } from "./ghosts";
import { columnsFor, fewestLines, planReadingOrder } from "./planReadingOrder";

describe("fewest lines", () => {
  it("is the least r + c with room for all, for every count up to 400", () => {
    for (let count = 1; count <= 400; count++) {
      let least = Infinity;
      for (let rows = 1; rows <= count; rows++) least = Math.min(least, rows + Math.ceil(count / rows));
      const { rows, columns } = fewestLines(count);
      expect(rows * columns).toBeGreaterThanOrEqual(count);
      expect(rows + columns, `${count} switches`).toBe(least);
    }
  });

  it("needs 7 + 8 for 54 keys, as builders reckon", () => expect(fewestLines(54)).toEqual({ rows: 7, columns: 8 }));
});

describe("columns for a short row", () => {
  it("are the nearest in order, as trying all of them finds", () => {
    const position = fc.integer({ min: 0, max: 100 });
    const sorted = (max: number) =>
      fc.array(position, { minLength: 1, maxLength: max }).map((xs) => xs.sort((a, b) => a - b));
    fc.assert(
      fc.property(sorted(4), sorted(7), (xs, columns) => {
        fc.pre(xs.length <= columns.length);
        const cost = (chosen: number[]) =>
          chosen.reduce((sum, column, i) => sum + Math.abs(columns[column] - xs[i]), 0);
        let least = Infinity;
        const tryAll = (chosen: number[], from: number) => {
          if (chosen.length === xs.length) least = Math.min(least, cost(chosen));
          else for (let column = from; column < columns.length; column++) tryAll([...chosen, column], column + 1);
        };
        tryAll([], 0);
        const found = columnsFor(xs, columns);
        expect(cost(found)).toBe(least);
        for (let i = 1; i < found.length; i++) expect(found[i]).toBeGreaterThan(found[i - 1]);
      }),
    );
  });
});

describe("plan in reading order", () => {
  it("never puts two switches in a cell, whatever the layout and the shape", () => {
    const place = fc.record({ x: fc.integer({ min: 0, max: 300 }), y: fc.integer({ min: 0, max: 300 }) });
    fc.assert(
      fc.property(
        fc.array(place, { maxLength: 60 }),
        fc.constantFrom("as-laid-out" as const, "fewest-pins" as const),
        (places, shape) => {
          const plan = planReadingOrder(
            places.map(({ x, y }, i) => ({ id: String(i), at: point(x, y) })),
            shape,
            9.5,
          );
          const cells = Object.values(plan.cells).map(({ row, column }) => `${row} ${column}`);
          expect(cells).toHaveLength(places.length);
          expect(new Set(cells).size).toBe(places.length);
          for (const { row, column } of Object.values(plan.cells)) {
            expect(row).toBeLessThan(plan.rows);
            expect(column).toBeLessThan(plan.columns);
          }
        },
      ),
    );
  });
});

describe("ghosts", () => {
  const wired = shareOutMatrix(keyBlock(3, 3), "as-laid-out");
  const name = (id: string) => id.replace(":press", "");

  it("none with every diode fitted", () => expect(ghostsOf(matrixOf(wired), 1000)).toEqual([]));

  it("four to a rectangle without diodes: 9 rectangles in 3 × 3", () => {
    expect(ghostsOf(matrixOf(withDiodes(wired, "none")), 1000)).toHaveLength(36);
  });

  it("only through the switch whose diode is missing", () => {
    const matrix = matrixOf(setOwnDiode(wired, ["k5:press"], false));
    const ghosts = ghostsOf(matrix, 1000);
    expect(ghosts.map((ghost) => name(ghost.appears)).sort()).toEqual(["k1", "k3", "k7", "k9"]);
    expect(new Set(ghosts.map((ghost) => ghost.through))).toEqual(new Set(["k5:press"]));
    expect(
      ghosts
        .find((ghost) => name(ghost.appears) === "k1")!
        .pressed.map(name)
        .sort(),
    ).toEqual(["k2", "k4", "k5"]);
  });

  /** What the electrical world senses beyond what is pressed. */
  function sensed(matrix: MatrixCircuit, design: ReturnType<typeof keyBlock>, pressed: string[]): string[] {
    const plan = scanTableOf({ ...design, circuits: [matrix] });
    const world = new ElectricalWorld(plan, { inputHighMinV: 2 });
    for (const id of pressed) world.set(id, true);
    const words = new Uint16Array(8 * 64);
    world.answer(words, 8);
    return plan.groups.flatMap((group) =>
      group.cells.flatMap((sw, bit) =>
        sw !== null &&
        ((words[(group.strobe! + 1) * 8 + group.bank] >> bit) & 1) === 0 &&
        !pressed.includes(plan.switches[sw])
          ? [plan.switches[sw]]
          : [],
      ),
    );
  }

  it("foretells exactly what three pressed switches make appear, with any diodes missing, in either direction", () => {
    const ids = Object.keys(matrixOf(wired).cells);
    const missing = fc.subarray(ids);
    fc.assert(
      fc.property(
        missing,
        fc.subarray(ids, { minLength: 3, maxLength: 3 }),
        fc.constantFrom("column-to-row" as const, "row-to-column" as const),
        (left, pressed, diodes) => {
          const matrix = { ...matrixOf(wired), diodes, withoutDiode: left };
          const foretold = ghostsOf(matrix, 1000).filter((ghost) => ghost.pressed.every((id) => pressed.includes(id)));
          expect(new Set(sensed(matrix, wired, pressed))).toEqual(new Set(foretold.map((ghost) => ghost.appears)));
        },
      ),
      { numRuns: 300 },
    );
  });
});
