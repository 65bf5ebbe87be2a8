import type { Schema } from "@/core/schema";
import { type Result, bad, good } from "@/core/design/problem";

/** Checks what a call takes beside the design; `under` is where it stands in the body. */
export function readOptions<T>(schema: Schema<T>, value: unknown, under = ""): Result<T> {
  const parsed = schema.safeParse(value);
  if (parsed.success) return good(parsed.data);
  return bad(
    ...parsed.error.issues.map(({ path, message }) => ({
      path: [under, ...path.map(String)].filter(Boolean).join("."),
      message,
    })),
  );
}
