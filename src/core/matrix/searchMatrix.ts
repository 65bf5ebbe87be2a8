import { lowerBoundMm } from "./lowerBound";
import { measured, totalWireMm } from "./matrixProblem";
import { type MatrixAnswer, type MatrixPart, answerOf, planPartInOrder } from "./planMatrix";
import { shortestWiring } from "./shortestWiring";
import { startAssignments } from "./startAssignments";

/** The same held against its lower bound, which takes its time. */
export function planPartInOrderBounded(part: MatrixPart): MatrixAnswer | null {
  const answer = planPartInOrder(part);
  return answer && { ...answer, lowerBoundMm: lowerBoundMm(measured(part)) };
}

/** Better and better plans with short wires; each answer is as good as the one before or better. */
export function* planPartByWire(part: MatrixPart, seed: number, rounds: number): Generator<MatrixAnswer> {
  const problem = measured(part);
  const starts = startAssignments(part, part.toleranceMm).sort(
    (a, b) => totalWireMm(problem, a) - totalWireMm(problem, b),
  );
  if (starts.length === 0) return;
  // The first answer is there at once; the tighter bound takes its time and comes with the next.
  yield answerOf(part, starts[0], lowerBoundMm(problem, 1));
  const boundMm = lowerBoundMm(problem);
  let known = Infinity;
  for (const { assignment, wireMm } of shortestWiring(problem, starts[0], seed, rounds)) {
    if (wireMm > known - 1e-6 && known !== Infinity) continue;
    known = wireMm;
    yield answerOf(part, assignment, boundMm);
  }
}
