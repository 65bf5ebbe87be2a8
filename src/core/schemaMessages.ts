import type { core } from "zod/mini";

/** What kind of thing came. */
function sortOf(value: unknown): string {
  if (value === null) return "null";
  if (typeof value === "number" && !Number.isFinite(value)) return String(value);
  return Array.isArray(value) ? "array" : typeof value;
}

const quoted = (value: unknown) => (typeof value === "string" ? `"${value}"` : String(value));

/**
 * What is wrong with a value, in the few ways that the schemas of a design know; what is too large, too small or unknown is said by
 * whoever shows it (document/problemWords.ts).
 */
export function schemaMessage(issue: core.$ZodRawIssue): string {
  if (issue.code === "invalid_type")
    return `Invalid input: expected ${issue.expected}, received ${sortOf(issue.input)}`;
  if (issue.code === "invalid_value") {
    const values = issue.values.map(quoted);
    return values.length === 1
      ? `Invalid input: expected ${values[0]}`
      : `Invalid option: expected one of ${values.join("|")}`;
  }
  if (issue.code === "invalid_format") return issue.format === "datetime" ? "Invalid ISO datetime" : "Invalid text";
  if (issue.code === "invalid_key") return `Invalid key in ${issue.origin}`;
  return "Invalid input";
}
