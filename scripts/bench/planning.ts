import { performance } from "node:perf_hooks";
import { chooseController } from "@/core/edits/pins";
import { addControl } from "@/core/edits/controls";
import { wireAs } from "@/core/edits/wiring";
import { derive } from "@/core/derived/derive";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import type { Control } from "@/core/catalogue/kinds";
import { analyseGhosts } from "@/core/matrix/ghostAnalysis";
import { matrixParts, usualMatrixWish } from "@/core/matrix/planMatrix";
import { planPartByWire } from "@/core/matrix/searchMatrix";
import { reportedBy } from "@/core/matrix/reported";
import { scanGraphOf } from "@/core/matrix/scanGraph";
import { pinProblemOf } from "@/core/pins/planPins";
import { solvePins } from "@/core/optimisation/solvePins";
import { highsOptimum } from "../../tests/reference/highs";
import { keyboardOf } from "../../tests/firmware/keyboard64";
import { type Row, median } from "./row";

const timed = async <T>(work: () => T | Promise<T>): Promise<[T, number]> => {
  const began = performance.now();
  const result = await work();
  return [result, performance.now() - began];
};

/** 48 switches direct, eight pots, two buses of displays: 60 nets. */
function sixtyNets(): Design {
  const kinds: Control["kind"][] = [
    ...Array.from({ length: 48 }, () => "key" as const),
    ...Array.from({ length: 8 }, () => "pot" as const),
    "display",
    "display",
  ];
  const placed = kinds.reduce(
    (d, kind, nth) =>
      addControl(d, kind, `c${nth}`, {
        xMm: (nth % 10) * 24 + (nth % 3),
        yMm: Math.floor(nth / 10) * 26 + (nth % 7),
        rotationDeg: 0,
        boardId: "panel",
      }),
    newDesign("sixty", "Sixty nets"),
  );
  const ids = [...derive(placed).elements.keys()];
  const displays = ids.filter((id) => id.endsWith(":display"));
  const direct = wireAs(placed, "direct", ids);
  const first = wireAs(direct, "bus-displays", [displays[0]]);
  const bus = first.circuits.find(({ kind }) => kind === "bus-displays")!;
  const second = { ...bus, id: "displays-2", bus: 1, members: [displays[1]] } as Design["circuits"][number];
  return chooseController(twoBuses({ ...first, circuits: [...first.circuits, second] }), "large-two-buses");
}

/** The large class with a second I²C controller on two more pins, so that two buses have somewhere to go. */
function twoBuses(design: Design): Design {
  const large = derive(chooseController(design, "large-5v-70")).profile!;
  const free = large.pins.filter(
    ({ role, reserved, buses, analogChannel }) =>
      role === "io" && !reserved && buses.length === 0 && analogChannel === null,
  );
  const lines = ["SDA", "SCL"];
  const pins = large.pins.map((pin) => {
    const nth = free.slice(0, 2).indexOf(pin);
    return nth < 0 ? pin : { ...pin, buses: [{ bus: "i2c" as const, instance: 1, line: lines[nth] }] };
  });
  return { ...design, profiles: [{ ...large, id: "large-two-buses", title: "Large class, two buses", pins }] };
}

async function pinRow(): Promise<Row> {
  const problem = pinProblemOf(sixtyNets(), "afresh")!;
  const ours: number[] = [];
  const theirs: number[] = [];
  for (let round = 0; round < 5; round++) {
    const [solution, ourMs] = await timed(() => solvePins(problem));
    const [optimum, highsMs] = await timed(() => highsOptimum(problem));
    if (!solution.isProven || optimum === null || Math.abs(solution.cost - optimum) > 1e-3)
      throw new Error(`the pin plan costs ${solution.cost}, HiGHS finds ${optimum}`);
    ours.push(ourMs);
    theirs.push(highsMs);
  }
  const ratio = median(theirs) / median(ours);
  return {
    what: `pin plan, ${problem.nets.length} nets, 2 buses, 8 analog, ${problem.pins} pins`,
    measured: `${median(ours).toFixed(1)} ms, HiGHS ${median(theirs).toFixed(0)} ms`,
    limit: "20 × faster, equal",
    ratio: ratio / 20,
  };
}

/** 108 keys as common on a desk: staggered rows, a block for the cursor and one for numbers, with gaps between. */
function desk108(): Design {
  const rows: [fromMm: number, stepMm: number, count: number][] = [
    [0, 20.5, 13],
    [0, 19.05, 15],
    [9.5, 19.05, 14],
    [14.3, 19.05, 13],
    [23.8, 19.05, 12],
    [0, 36, 8],
  ];
  const blocks: [row: number, fromMm: number, count: number][] = [
    [0, 295, 3],
    [1, 295, 3],
    [2, 295, 3],
    [4, 314, 1],
    [5, 295, 3],
    [0, 360, 3],
    [1, 360, 4],
    [2, 360, 4],
    [3, 360, 3],
    [4, 360, 4],
    [5, 360, 2],
  ];
  const yOf = (row: number) => row * 19.05 + (row > 0 ? 5 : 0);
  const places = [
    ...rows.flatMap(([from, step, count], row) => Array.from({ length: count }, (_, n) => [from + n * step, yOf(row)])),
    ...blocks.flatMap(([row, from, count]) => Array.from({ length: count }, (_, n) => [from + n * 19.05, yOf(row)])),
  ];
  return places.reduce(
    (d, [xMm, yMm], nth) => addControl(d, "key", `k${nth}`, { xMm, yMm, rotationDeg: 0, boardId: "panel" }),
    newDesign("desk", "Desk 108"),
  );
}

async function matrixRow(): Promise<Row> {
  const design = desk108();
  const [part] = matrixParts(design, { ...usualMatrixWish, school: "wiring" });
  if (part.keys.length !== 108) throw new Error(`${part.keys.length} keys instead of 108`);
  const began = performance.now();
  let firstMs = 0;
  let last = { wireMm: Infinity, boundMm: 1, atMs: 0 };
  for (const { measures, lowerBoundMm } of planPartByWire(part, 1, 3)) {
    firstMs ||= performance.now() - began;
    last = { wireMm: measures.wireMm, boundMm: lowerBoundMm, atMs: performance.now() - began };
  }
  const above = last.wireMm / last.boundMm;
  return {
    what: `matrix plan, 108 keys, ${part.rows} × ${part.columns}, shortest wiring`,
    measured: `${above.toFixed(3)} × bound, first ${(firstMs / 1000).toFixed(1)} s, best ${(last.atMs / 1000).toFixed(0)} s`,
    limit: "1.15 × bound",
    ratio: 1.15 / above,
  };
}

function* triples(count: number): Generator<[number, number, number]> {
  for (let a = 0; a < count; a++)
    for (let b = a + 1; b < count; b++) for (let c = b + 1; c < count; c++) yield [a, b, c];
}

async function ghostRow(): Promise<Row> {
  const design = keyboardOf(6, 18, 1);
  const circuit = design.circuits.find((c) => c.kind === "matrix");
  if (circuit?.kind !== "matrix") throw new Error("no matrix");
  const graph = scanGraphOf({ ...circuit, diodes: "none" });
  const times: number[] = [];
  for (let round = 0; round < 20; round++) times.push((await timed(() => analyseGhosts(graph)))[1]);
  const ids = graph.keys.map(({ id }) => id);
  const [counted, bruteMs] = await timed(() => {
    let sum = 0;
    for (const [a, b, c] of triples(ids.length))
      sum += reportedBy(graph, new Set([ids[a], ids[b], ids[c]])).ghosts.length;
    return sum;
  });
  const { triples: closed } = analyseGhosts(graph);
  if (closed !== counted) throw new Error(`closed form ${closed}, brute force ${counted}`);
  const ratio = bruteMs / median(times);
  return {
    what: `ghosts of ${ids.length} keys without diodes (${closed})`,
    measured: `${median(times).toFixed(2)} ms, brute ${(bruteMs / 1000).toFixed(1)} s`,
    limit: "100 × faster, equal",
    ratio: ratio / 100,
  };
}

export const planningRows = async (): Promise<Row[]> => [await pinRow(), await matrixRow(), await ghostRow()];
