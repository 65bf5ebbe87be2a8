import { between, whole, z } from "@/core/schema";
import { restDirect, adoptMatrixCells } from "@/core/edits/wiring";
import { bad, good } from "@/core/document/problem";
import type { Design } from "@/core/document/schema";
import { factsOf } from "@/core/findings/facts";
import { type MatrixAnswer, type MatrixPart, matrixParts, schools } from "@/core/matrix/planMatrix";
import { planPartByWire, planPartInOrderBounded } from "@/core/matrix/searchMatrix";
import { type Reply, jsonReply, readOptions, withDesign } from "./reply";
import type { Task } from "./tasks";

/** A search must end before the call's own budget does. */
const MOST_SECONDS = 4;

/** Rows and columns that are left out, or null, follow `shape`. `seconds` ends a search for short wiring. */
const optionsSchema = z.strictObject({
  school: z._default(z.enum(schools), "reading"),
  shape: z._default(z.enum(["as-laid-out", "fewest-pins"]), "fewest-pins"),
  rows: z._default(z.nullable(whole(1, 32)), null),
  columns: z._default(z.nullable(whole(1, 32)), null),
  perBoard: z._default(z.boolean(), false),
  seed: z._default(whole(0, 2 ** 31), 1),
  seconds: z._default(between(0, MOST_SECONDS), 3),
});

const ROUNDS = 5;

/** Better and better plans of a part, until the time is over. */
function byWire(part: MatrixPart, seed: number, untilMs: number, tell: (best: MatrixAnswer) => void) {
  let best: MatrixAnswer | null = null;
  for (const answer of planPartByWire(part, seed, ROUNDS)) {
    best = answer;
    tell(best);
    if (performance.now() > untilMs) break;
  }
  return best;
}

const GAP = 1e-6;

function replyOf(design: Design, answers: MatrixAnswer[]): Reply {
  const planned = restDirect(adoptMatrixCells(design, answers));
  const facts = factsOf(planned);
  return jsonReply({
    cells: Object.assign({}, ...answers.map(({ cells }) => cells)),
    rows: facts.rows,
    columns: facts.columns,
    pinsNeeded: facts.pinsNeeded,
    matrices: answers.map(({ cells: _, ...answer }) => ({
      ...answer,
      proof: answer.measures.wireMm <= answer.lowerBoundMm + GAP ? "optimal" : "gap",
    })),
    design: planned,
  });
}

/** The switches' rows and columns: the plan, what it comes to, the bound it is held against, and whether it is proven. */
export const planMatrixTask: Task = (body, _parameter, tell) =>
  withDesign(body, (design, rest) => {
    const options = readOptions(optionsSchema, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const { school, shape, rows, columns, perBoard, seed, seconds } = options.value;
    const parts = matrixParts(design, { school, lines: shape, rows, columns, perBoard });
    const untilMs = performance.now() + seconds * 1000;
    const answers: MatrixAnswer[] = [];
    for (const part of parts) {
      const soFar = (best: MatrixAnswer) => parts.length === 1 && tell(replyOf(design, [best]));
      const answer = school === "reading" ? planPartInOrderBounded(part) : byWire(part, seed, untilMs, soFar);
      if (answer) answers.push(answer);
    }
    if (parts.length > answers.length || (parts.length === 0 && (rows !== null || columns !== null)))
      return bad({ path: "options.rows", message: "these rows and columns are too few for the switches" });
    return good(replyOf(design, answers));
  });
