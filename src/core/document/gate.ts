import { type Schema, type schemaCore } from "../schema";
import { entryOf, fieldsOf, limitsOf } from "../schemaLimits";
import type { Problem } from "./problem";
import { placeInWords, problemOf } from "./problemWords";
import { referenceProblems } from "./references";
import { type Design, designSchema } from "./schema";

/** Entries of lists that were found good; an edit leaves most entries the same objects. */
const sound = new WeakSet<object>();

const fields = new Map(fieldsOf(designSchema));

/** Remembers the entries of a design that reading has found good, so that its first edit is checked as quickly as all. */
export function trust(design: Design): void {
  for (const list of Object.values(design))
    if (Array.isArray(list))
      for (const entry of list) if (typeof entry === "object" && entry !== null) sound.add(entry);
}

function firstProblem(schema: schemaCore.$ZodType, value: unknown, path: (string | number)[]): Problem | null {
  const parsed = (schema as Schema<unknown>).safeParse(value);
  if (parsed.success) return null;
  const [issue] = parsed.error.issues;
  return problemOf({ ...issue, path: [...path, ...issue.path] });
}

function listProblem(field: string, schema: schemaCore.$ZodType, list: unknown[]): Problem | null {
  const { least, most } = limitsOf(schema);
  if (list.length > most) return { path: field, message: `are ${list.length}; a design holds ${most}` };
  if (list.length < least) return { path: field, message: `are ${list.length}; a design needs ${least}` };
  for (const [at, entry] of list.entries()) {
    const isObject = typeof entry === "object" && entry !== null;
    if (isObject && sound.has(entry)) continue;
    const problem = firstProblem(entryOf(schema)!, entry, [field, at]);
    if (problem) return problem;
    if (isObject) sound.add(entry);
  }
  return null;
}

function fieldProblem(field: string, value: unknown): Problem | null {
  const schema = fields.get(field);
  if (!schema) return { path: field, message: "is not known" };
  return entryOf(schema) && Array.isArray(value)
    ? listProblem(field, schema, value)
    : firstProblem(schema, value, [field]);
}

/**
 * What reading would refuse of a design that an edit made, looking only at what the edit changed.
 * @param before the design that was edited; it is good
 * @returns the first thing wrong, in words that name the place, or null
 */
export function refusalOf(design: Design, before: Design): string | null {
  const inWords = ({ path, message }: Problem) => `${placeInWords(design, path)} ${message}.`;
  for (const [field, value] of Object.entries(design)) {
    if (value === before[field as keyof Design]) continue;
    const problem = fieldProblem(field, value);
    if (problem) return inWords(problem);
  }
  const [problem] = referenceProblems(design);
  return problem ? inWords(problem) : null;
}
