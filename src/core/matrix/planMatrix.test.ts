import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { keyBlock, matrixOf, pad } from "../../../tests/support/designs";
import { derive } from "../derived/derive";
import { adoptPlan, wireAsPlanned } from "../edits/wireAsPlanned";
import { adoptMatrixCells, wireAs } from "../edits/wiring";
import { lockCells, setReversed } from "../edits/matrixDiodes";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import { emptyBrief } from "../document/wish";
import { switchStrategies } from "../brief/strategies";
import { point } from "../geometry/point";
import { crosses, meetingPoint } from "../geometry/segment";
import { analyseGhosts } from "./ghostAnalysis";
import { checkMatrix } from "./matrixElectrics";
import { measured, totalWireMm, assignmentOf } from "./matrixProblem";
import {
  lineAlternatives,
  linesWithin,
  longestLineMm,
  matrixParts,
  matrixSwitches,
  measuresOfCircuit,
  planPartInOrder,
  usualMatrixWish,
} from "./planMatrix";
import { planPartByWire, planPartInOrderBounded } from "./searchMatrix";
import { scanGraphOf } from "./scanGraph";
import { chooseController } from "../edits/pins";
import { fitDiodesAt } from "../findings/rules/chords";

const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
const byWire = { ...usualMatrixWish, school: "wiring" as const };

describe("lines", () => {
  it("fill what is given: rows, columns, both, or too few of both", () => {
    expect(linesWithin(54, null, null)).toEqual({ rows: 7, columns: 8 });
    expect(linesWithin(54, 5, null)).toEqual({ rows: 5, columns: 11 });
    expect(linesWithin(54, null, 10)).toEqual({ rows: 6, columns: 10 });
    expect(linesWithin(54, 6, 9)).toEqual({ rows: 6, columns: 9 });
    expect(linesWithin(54, 6, 8)).toBeNull();
    expect(linesWithin(200, 2, null)).toBeNull();
  });

  it("are told with their pins, the fewest first, each with room for all", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), (count) => {
        const all = lineAlternatives(count);
        for (const { rows, columns, pins } of all) {
          expect(rows * columns).toBeGreaterThanOrEqual(count);
          expect(pins).toBe(rows + columns);
        }
        expect(all.map(({ pins }) => pins)).toEqual(all.map(({ pins }) => pins).sort((a, b) => a - b));
      }),
    ));
});

describe("what is planned", () => {
  it("leaves switches behind registers alone", () => {
    const design = wireAs(pad(), "input-registers", ["k1:press", "k2:press"]);
    const ids = matrixSwitches(shareOutMatrix(design, "fewest-pins")).map(({ id }) => id);
    expect(ids).not.toContain("k1:press");
    expect(ids).toContain("k3:press");
    expect(shareOutMatrix(design, "fewest-pins").circuits.some(({ kind }) => kind === "input-registers")).toBe(true);
  });

  it("is one matrix, or one for each board whose rows never cross the gap", () => {
    expect(matrixParts(loom, usualMatrixWish)).toHaveLength(1);
    const parts = matrixParts(loom, { ...usualMatrixWish, perBoard: true });
    expect(parts.map(({ name }) => name)).toEqual(["Matrix, Left half", "Matrix, Right half"]);
    const halves = adoptMatrixCells(
      loom,
      parts.flatMap((part) => planPartInOrder(part) ?? []),
    );
    const { nets, controls } = derive(halves);
    for (const net of nets.filter(({ role }) => role === "row" || role === "column")) {
      const boards = new Set(net.joints.map(({ controlId }) => controls.get(controlId)!.placement.boardId));
      expect(boards.size, net.flag).toBe(1);
    }
    const flags = nets.filter(({ role }) => role === "row").map(({ flag }) => flag);
    expect(new Set(flags).size).toBe(flags.length);
    // Back to one: the plain name again.
    const one = adoptMatrixCells(
      halves,
      matrixParts(halves, usualMatrixWish).flatMap((p) => planPartInOrder(p) ?? []),
    );
    expect(one.circuits.filter(({ kind }) => kind === "matrix").map(({ id }) => id)).toEqual(["matrix"]);
  });

  it("keeps locked cells in both schools, whatever they are", () => {
    const wired = shareOutMatrix(keyBlock(5, 3), "as-laid-out");
    const locked = lockCells(wired, ["k2:press", "k9:press"], true);
    const [part] = matrixParts(locked, { ...byWire, rows: 4, columns: 5 });
    const cells = matrixOf(locked).cells;
    let last = planPartInOrder(part)!;
    for (const answer of [last, ...planPartByWire(part, 5, 1)]) {
      for (const id of ["k2:press", "k9:press"]) expect(answer.cells[id]).toEqual(cells[id]);
      last = answer;
    }
    expect(Object.keys(last.cells)).toHaveLength(15);
  });

  it("gets better and better, never below its bound, and measures what it says", () => {
    const [part] = matrixParts(pad(6, 4), { ...byWire, lines: "fewest-pins" });
    let before = Infinity;
    for (const answer of planPartByWire(part, 2, 1)) {
      expect(answer.measures.wireMm).toBeLessThanOrEqual(before + 1e-9);
      expect(answer.measures.wireMm).toBeGreaterThanOrEqual(answer.lowerBoundMm - 1e-6);
      const problem = measured(part);
      expect(totalWireMm(problem, assignmentOf(part, answer.cells))).toBeCloseTo(answer.measures.wireMm, 6);
      before = answer.measures.wireMm;
    }
    expect(before).toBeLessThan(planPartInOrderBounded(part)!.measures.wireMm + 1e-9);
  });

  it("of a straight block in reading order crosses only rows with columns", () => {
    const design = shareOutMatrix(keyBlock(6, 4), "as-laid-out");
    const measures = measuresOfCircuit(design, matrixOf(design))!;
    expect(measures.alike).toBe(0);
    expect(measures.longestRowMm).toBeCloseTo(5 * 19.05, 6);
    expect(measures.longestColumnMm).toBeCloseTo(3 * 19.05, 6);
    expect(longestLineMm(design, matrixOf(design))).toBeCloseTo(5 * 19.05, 6);
  });
});

describe("ghosts of a design", () => {
  const bare = matrixOf(shareOutMatrix(keyBlock(4, 4), "as-laid-out"));

  it("are none with all diodes, and n keys are told apart", () =>
    expect(analyseGhosts(scanGraphOf(bare))).toMatchObject({ rollover: null, triples: 0, dead: [] }));

  it("are four to each of the 36 rectangles of a full 4 × 4 without diodes", () => {
    const { rollover, triples, sure } = analyseGhosts(scanGraphOf({ ...bare, diodes: "none" }));
    expect([rollover, triples, sure.length]).toEqual([2, 4 * 36, 0]);
  });

  it("name a reversed switch as never reported", () => {
    const design = setReversed(shareOutMatrix(keyBlock(4, 4), "as-laid-out"), ["k6:press"], true);
    expect(analyseGhosts(scanGraphOf(matrixOf(design))).dead).toEqual(["k6:press"]);
  });

  it("get single diodes fitted, in a matrix that had none, in the usual direction", () => {
    const design = {
      ...shareOutMatrix(keyBlock(2, 2), "as-laid-out"),
      circuits: [{ ...bare, diodes: "none" as const }],
    };
    const after = matrixOf(fitDiodesAt(design, matrixOf(design), ["k1:press"]));
    expect(after.diodes).toBe("column-to-row");
    expect(after.withoutDiode).toHaveLength(15);
    expect(after.withoutDiode).not.toContain("k1:press");
  });
});

describe("levels and speed", () => {
  it("need a controller, and are slower with longer lines", () => {
    const small = shareOutMatrix(keyBlock(3, 3), "as-laid-out");
    expect(checkMatrix(small, matrixOf(small))).toBeNull();
    const of = (columns: number) => {
      const design = chooseController(shareOutMatrix(keyBlock(columns, 3), "as-laid-out"), "dual-core-3v3-26");
      return checkMatrix(design, matrixOf(design))!;
    };
    expect(of(12).settleUs).toBeGreaterThan(of(3).settleUs);
    expect(of(12).scansPerSecond).toBeLessThan(of(3).scansPerSecond);
    expect(of(3).lowV).toBeGreaterThan(0.3);
    expect(of(3).lowV).toBeLessThan(0.6);
  });
});

describe("segments", () => {
  const at = fc.record({ xMm: fc.integer({ min: -50, max: 50 }), yMm: fc.integer({ min: -50, max: 50 }) });

  it("cross or not whichever is named first, and meet on both", () =>
    fc.assert(
      fc.property(at, at, at, at, (a, b, c, d) => {
        expect(crosses(a, b, c, d)).toBe(crosses(c, d, a, b));
        expect(crosses(a, b, c, d)).toBe(crosses(b, a, d, c));
        if (!crosses(a, b, c, d)) return;
        const meet = meetingPoint(a, b, c, d);
        const off = (p: typeof a, q: typeof a) =>
          Math.abs((q.xMm - p.xMm) * (meet.yMm - p.yMm) - (q.yMm - p.yMm) * (meet.xMm - p.xMm));
        expect(off(a, b)).toBeLessThan(1e-6);
        expect(off(c, d)).toBeLessThan(1e-6);
      }),
    ));

  it("that share an end or only touch do not cross", () => {
    expect(crosses(point(0, 0), point(10, 0), point(10, 0), point(5, 5))).toBe(false);
    expect(crosses(point(0, 0), point(10, 0), point(5, 0), point(5, 5))).toBe(false);
  });
});

describe("a brief's plan", () => {
  const placed = { ...pad(4, 4), brief: emptyBrief };
  const plan = {
    profileId: "large-5v-70",
    lampStrategy: "output-registers",
    voltageStrategy: "direct",
    turnStrategy: "direct",
  };

  it.each(switchStrategies.map(({ id }) => id).filter((id) => id !== "matrix-given"))(
    "wires every part end by %s",
    (switchStrategy) => {
      const wired = adoptPlan(placed, { ...plan, switchStrategy });
      const { elements, circuitsOf } = derive(wired);
      for (const id of elements.keys()) expect(circuitsOf.get(id), id).toHaveLength(1);
      expect(wired.circuits.some(({ kind }) => kind === "output-registers")).toBe(true);
    },
  );

  it("takes knobs along where the way carries them, and the given shape of a matrix", () => {
    const along = adoptPlan(placed, { ...plan, switchStrategy: "multiplexers", turnStrategy: "with-switches" });
    const mux = along.circuits.find(({ kind }) => kind === "multiplexer")!;
    expect("members" in mux && mux.members).toContain("e1:turn");
    const given = { ...placed, brief: { ...emptyBrief, matrixShape: { rows: 3, columns: 6 } } };
    const cells = Object.values(matrixOf(adoptPlan(given, { ...plan, switchStrategy: "matrix-given" })).cells);
    expect(Math.max(...cells.map(({ row }) => row))).toBeLessThan(3);
    expect(Math.max(...cells.map(({ column }) => column))).toBeLessThan(6);
  });

  it("leaves all as it is where the way is not drawn", () => {
    const other = { ...placed, brief: { ...emptyBrief, chosen: { ...plan, switchStrategy: "register-matrix" } } };
    expect(wireAsPlanned(other)).toBe(other);
  });
});
