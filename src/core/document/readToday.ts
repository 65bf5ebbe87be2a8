import { cleanedWithin } from "../cleanText";
import { type Result, bad, good } from "./problem";
import { problemOf } from "./problemWords";
import { referenceProblems } from "./references";
import { DESIGN_FORMAT, DESIGN_VERSION, type Design, designSchema } from "./schema";

const MOST_PROBLEMS = 20;

/**
 * Reads a design of today's version from parsed JSON; older ones are refused by their version.
 * @returns the design, or up to 20 problems with their paths
 */
export function readToday(json: unknown): Result<Design> {
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
  const parsed = designSchema.safeParse(cleanedWithin(document));
  if (!parsed.success) return bad(...parsed.error.issues.slice(0, MOST_PROBLEMS).map(problemOf));
  const problems = referenceProblems(parsed.data).slice(0, MOST_PROBLEMS);
  return problems.length > 0 ? bad(...problems) : good(parsed.data);
}
