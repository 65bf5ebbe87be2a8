import { between, whole, z } from "@/core/schema";
import { restDirect, takeMatrixPlan } from "@/core/design/edits/wiring";
import { bad, good } from "@/core/design/problem";
import { factsOf } from "@/core/findings/check";
import { type MatrixAnswer, type MatrixPart, matrixParts, schools } from "@/core/matrix/planMatrix";
import { planPartByWire, planPartInOrderBounded } from "@/core/matrix/searchMatrix";
import { readOptions } from "../../options";
import { withDesign } from "../../request";

/** Rows and columns that are left out, or null, follow `shape`. `seconds` ends a search for short wiring. */
const optionsSchema = z.strictObject({
  school: z._default(z.enum(schools), "reading"),
  shape: z._default(z.enum(["as-laid-out", "fewest-pins"]), "fewest-pins"),
  rows: z._default(z.nullable(whole(1, 32)), null),
  columns: z._default(z.nullable(whole(1, 32)), null),
  perBoard: z._default(z.boolean(), false),
  seed: z._default(whole(0, 2 ** 31), 1),
  seconds: z._default(between(0, 60), 5),
});

const ROUNDS = 5;

function byWire(part: MatrixPart, seed: number, untilMs: number): MatrixAnswer | null {
  let best: MatrixAnswer | null = null;
  for (const answer of planPartByWire(part, seed, ROUNDS)) {
    best = answer;
    if (performance.now() > untilMs) break;
  }
  return best;
}

const GAP = 1e-6;

/** The switches' rows and columns: the plan, what it comes to, the bound it is held against, and whether it is proven. */
export const POST = (request: Request) =>
  withDesign(request, async (design, rest) => {
    const options = readOptions(optionsSchema, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const { school, shape, rows, columns, perBoard, seed, seconds } = options.value;
    const parts = matrixParts(design, { school, lines: shape, rows, columns, perBoard });
    const untilMs = performance.now() + seconds * 1000;
    const answers = parts.flatMap(
      (part) => (school === "reading" ? planPartInOrderBounded(part) : byWire(part, seed, untilMs)) ?? [],
    );
    if (parts.length > answers.length || (parts.length === 0 && (rows !== null || columns !== null)))
      return bad({ path: "options.rows", message: "these rows and columns are too few for the switches" });
    const planned = restDirect(takeMatrixPlan(design, answers));
    const facts = factsOf(planned);
    return good(
      Response.json({
        cells: Object.assign({}, ...answers.map(({ cells }) => cells)),
        rows: facts.rows,
        columns: facts.columns,
        pinsNeeded: facts.pinsNeeded,
        matrices: answers.map(({ cells: _, ...answer }) => ({
          ...answer,
          proof: answer.measures.wireMm <= answer.lowerBoundMm + GAP ? "optimal" : "gap",
        })),
        design: planned,
      }),
    );
  });
