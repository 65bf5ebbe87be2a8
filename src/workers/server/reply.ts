import type { Problem, Result } from "@/core/document/problem";
import { bad, good } from "@/core/document/problem";
import { readDesign } from "@/core/document/readDesign";
import type { Design } from "@/core/document/schema";
import type { Schema } from "@/core/schema";

/** An answer as it can be handed from thread to thread. */
export interface Reply {
  status: number;
  headers: Record<string, string>;
  body: string | Uint8Array;
}

const JSON_TYPE = { "content-type": "application/json" };

export const jsonReply = (value: unknown, status = 200): Reply => ({
  status,
  headers: JSON_TYPE,
  body: JSON.stringify(value),
});

export const problemReply = (status: number, ...problems: Problem[]): Reply => jsonReply({ problems }, status);

type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** The body as JSON, or the answer that says why not. */
export function parsed(body: Uint8Array): Result<unknown> {
  try {
    return good(JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(body)));
  } catch (error) {
    return bad({ path: "", message: `The body is not JSON: ${String(error)}` });
  }
}

/** A body is a design itself, or an object with the design beside what else the call takes. */
function split(json: unknown): { design: unknown; rest: Json } {
  if (!isObject(json) || "format" in json || !("design" in json)) return { design: json, rest: {} };
  const { design, ...rest } = json;
  return { design, rest };
}

/**
 * Answers a call that is given a design: 400 for what is not JSON, 422 for a bad design or bad options, with the
 * problems and their places.
 */
export async function withDesign(
  body: Uint8Array,
  answer: (design: Design, rest: Json) => Promise<Result<Reply>> | Result<Reply>,
): Promise<Reply> {
  const json = parsed(body);
  if (!json.ok) return problemReply(400, ...json.problems);
  const { design, rest } = split(json.value);
  const read = readDesign(design);
  if (!read.ok) return problemReply(422, ...read.problems);
  const result = await answer(read.value, rest);
  return result.ok ? result.value : problemReply(422, ...result.problems);
}

/** What the schema leaves to whoever shows it: how far a number, a text or a list may go. */
function limitWords(issue: {
  code?: string;
  message: string;
  minimum?: unknown;
  maximum?: unknown;
  origin?: string;
}): string {
  const what = issue.origin === "array" ? " entries" : issue.origin === "string" ? " signs" : "";
  if (issue.code === "too_small") return `must be at least ${issue.minimum}${what}`;
  if (issue.code === "too_big") return `must be at most ${issue.maximum}${what}`;
  return issue.message;
}

/** Checks what a call takes beside the design; `under` is where it stands in the body. */
export function readOptions<T>(schema: Schema<T>, value: unknown, under = ""): Result<T> {
  const checked = schema.safeParse(value);
  if (checked.success) return good(checked.data);
  return bad(
    ...checked.error.issues.map((issue) => ({
      path: [under, ...issue.path.map(String)].filter(Boolean).join("."),
      message: limitWords(issue),
    })),
  );
}
