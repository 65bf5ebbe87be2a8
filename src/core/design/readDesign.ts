import type { schemaCore } from "../schema";
import { migrate } from "./migrations";
import { type Problem, type Result, bad, good } from "./problem";
import { DESIGN_FORMAT, DESIGN_VERSION, type Design, designSchema } from "./schema";

const MOST_PROBLEMS = 20;

/** The path in words a person can follow: the label of the control it is in, when there is one. */
function pathOf(issue: schemaCore.$ZodIssue): string {
  return issue.path.map(String).join(".");
}

function sentence(issue: schemaCore.$ZodIssue): string {
  if (issue.code === "unrecognized_keys") return `has fields that are not known here: ${issue.keys.join(", ")}`;
  if (issue.code === "invalid_union" && issue.errors.length === 0)
    return "is of a kind that this version does not know";
  return issue.message.replace(/^Invalid input: /, "").replace(/^Too (small|big): /, "");
}

const problemOf = (issue: schemaCore.$ZodIssue): Problem => ({ path: pathOf(issue), message: sentence(issue) });

function repeated(values: string[], path: string, what: string): Problem[] {
  const seen = new Set<string>();
  return values.flatMap((value, index) => {
    if (!seen.has(value)) {
      seen.add(value);
      return [];
    }
    return [{ path: `${path}.${index}`, message: `uses the ${what} "${value}" a second time; each needs its own` }];
  });
}

/** References that the schema cannot check: ids are unique, and what is named exists. */
function referenceProblems(design: Design): Problem[] {
  const boards = new Set(design.boards.map((board) => board.id));
  const layers = new Set(design.keymap.layers.map((layer) => layer.id));
  const onBoard = (boardId: string, path: string): Problem[] =>
    boards.has(boardId) ? [] : [{ path, message: `lies on the board "${boardId}", which the design does not have` }];
  const layerProblems = design.keymap.layers.flatMap((layer, at) =>
    Object.entries(layer.bindings).flatMap(([input, binding]) =>
      "layerId" in binding && !layers.has(binding.layerId)
        ? [
            {
              path: `keymap.layers.${at}.bindings.${input}`,
              message: `leads to the layer "${binding.layerId}", which the design does not have`,
            },
          ]
        : [],
    ),
  );
  return [
    ...repeated(
      design.controls.map((control) => control.id),
      "controls",
      "id",
    ),
    ...repeated(
      design.boards.map((board) => board.id),
      "boards",
      "id",
    ),
    ...repeated(
      design.circuits.map((circuit) => circuit.id),
      "circuits",
      "id",
    ),
    ...repeated(
      design.keymap.layers.map((layer) => layer.id),
      "keymap.layers",
      "id",
    ),
    ...design.controls.flatMap((c, at) => onBoard(c.placement.boardId, `controls.${at}.placement.boardId`)),
    ...design.controllers.flatMap((c, at) => onBoard(c.placement.boardId, `controllers.${at}.placement.boardId`)),
    ...layerProblems,
  ];
}

/**
 * Reads a design from parsed JSON of any origin and age.
 * @returns the design in today's version, or up to 20 problems with their paths
 */
export function readDesign(json: unknown): Result<Design> {
  if (typeof json !== "object" || json === null || Array.isArray(json))
    return bad({ path: "", message: "is not a design: the file should hold one JSON object" });
  const document = json as Record<string, unknown>;
  if (document.format !== DESIGN_FORMAT)
    return bad({ path: "format", message: `is not "${DESIGN_FORMAT}"; this is a file of some other kind` });
  if (typeof document.version === "number" && document.version > DESIGN_VERSION)
    return bad({
      path: "version",
      message: `is ${document.version}; this program reads up to version ${DESIGN_VERSION}. Open it with a newer one`,
    });
  const parsed = designSchema.safeParse(migrate(document));
  if (!parsed.success) return bad(...parsed.error.issues.slice(0, MOST_PROBLEMS).map(problemOf));
  const problems = referenceProblems(parsed.data).slice(0, MOST_PROBLEMS);
  return problems.length > 0 ? bad(...problems) : good(parsed.data);
}
