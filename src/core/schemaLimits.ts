import type { schemaCore } from "./schema";

/** The least and the most that a schema allows: of a number its value, of a text or a list its length. */
export interface Limits {
  least: number;
  most: number;
}

interface CheckDef {
  check: string;
  minimum?: number;
  maximum?: number;
  value?: number;
}

interface SchemaDef {
  type: string;
  /** Of a number with a format of its own: whole ones. */
  check?: string;
  checks?: { _zod: { def: CheckDef } }[];
  shape?: Record<string, schemaCore.$ZodType>;
  element?: schemaCore.$ZodType;
  innerType?: schemaCore.$ZodType;
}

const defOf = (schema: schemaCore.$ZodType): SchemaDef => schema._zod.def as unknown as SchemaDef;

/** The schema within "optional", "nullable" and "default". */
function bare(schema: schemaCore.$ZodType): schemaCore.$ZodType {
  const { innerType } = defOf(schema);
  return innerType ? bare(innerType) : schema;
}

/** The limits that a schema itself carries, so that fields and messages need not repeat them. */
export function limitsOf(schema: schemaCore.$ZodType): Limits {
  const limits = { least: -Infinity, most: Infinity };
  for (const { _zod } of defOf(bare(schema)).checks ?? []) {
    const { check, minimum, maximum, value } = _zod.def;
    if (check === "greater_than") limits.least = value!;
    if (check === "less_than") limits.most = value!;
    if (check === "min_length") limits.least = minimum!;
    if (check === "max_length") limits.most = maximum!;
  }
  return limits;
}

/** The schema of a field of an object, by its path from the object: "timing", "debounceMs". */
export function fieldOf(schema: schemaCore.$ZodType, ...path: string[]): schemaCore.$ZodType {
  return path.reduce((at, name) => {
    const field = Object.entries(defOf(bare(at)).shape ?? {}).find(([key]) => key === name);
    if (!field) throw new RangeError(`the schema has no field "${name}"`);
    return field[1];
  }, schema);
}

/** The schema of a list's entries, or null for what is no list. */
export const entryOf = (schema: schemaCore.$ZodType): schemaCore.$ZodType | null => defOf(bare(schema)).element ?? null;

/** Field by field. */
export const fieldsOf = (schema: schemaCore.$ZodType): [string, schemaCore.$ZodType][] =>
  Object.entries(defOf(bare(schema)).shape ?? {});

/** Whether a number's schema takes whole numbers only. */
export const isWhole = (schema: schemaCore.$ZodType): boolean =>
  (defOf(bare(schema)).checks ?? []).some(({ _zod }) => _zod.def.check === "number_format") ||
  defOf(bare(schema)).check === "number_format";
