/** A value as Python writes it: texts, numbers, true and false, none, and lists as tuples. */
export type Literal = string | number | boolean | null | Literal[];

/** JSON's escapes are Python's too; signs beyond the basic plane stand as they are. */
const textLiteral = (text: string) => JSON.stringify(text);

/** One value, on one line. */
export function literal(value: Literal): string {
  if (value === null) return "None";
  if (value === true) return "True";
  if (value === false) return "False";
  if (typeof value === "string") return textLiteral(value);
  if (typeof value === "number") return String(value);
  return value.length === 1 ? `(${literal(value[0])},)` : `(${value.map(literal).join(", ")})`;
}

/** `NAME = (…)` with an item a line, each with its comment. */
export function listing(name: string, items: { value: Literal; comment?: string }[]): string {
  if (items.length === 0) return `${name} = ()`;
  const lines = items.map(
    ({ value, comment }) => `    ${literal(value)},${comment ? `  # ${comment.replace(/\s+/g, " ")}` : ""}`,
  );
  return `${name} = (\n${lines.join("\n")}\n)`;
}

/** Bytes as a literal, sixteen a line. */
export function bytesLiteral(bytes: ArrayLike<number>): string {
  const hex = Array.from(bytes, (byte) => `\\x${byte.toString(16).padStart(2, "0")}`);
  const lines = Array.from(
    { length: Math.ceil(hex.length / 16) },
    (_, nth) => `    b"${hex.slice(nth * 16, nth * 16 + 16).join("")}"`,
  );
  return lines.length === 0 ? 'b""' : `(\n${lines.join("\n")}\n)`;
}
