import type { Problem, Result } from "@/core/design/problem";
import { readDesign } from "@/core/design/readDesign";
import type { Design } from "@/core/design/schema";
import { MOST_DESIGN_BYTES } from "@/core/formats/readDesignText";

type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);

const megabytes = MOST_DESIGN_BYTES / 1024 / 1024;

export const unprocessable = (problems: Problem[]): Response => Response.json({ problems }, { status: 422 });

const tooLarge = () =>
  Response.json({ problems: [{ path: "", message: `The body is larger than ${megabytes} MB.` }] }, { status: 413 });

/** The body's bytes, or null as soon as they are more than allowed. */
async function readBytes(request: Request): Promise<Uint8Array | null> {
  if (Number(request.headers.get("content-length") ?? 0) > MOST_DESIGN_BYTES) return null;
  const parts: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    length += part.value.length;
    if (length > MOST_DESIGN_BYTES) {
      await reader!.cancel();
      return null;
    }
    parts.push(part.value);
  }
  return Buffer.concat(parts);
}

/** The body as JSON, or the answer that says why not. */
export async function readJson(request: Request): Promise<{ json: unknown } | Response> {
  const bytes = await readBytes(request);
  if (bytes === null) return tooLarge();
  try {
    return { json: JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(bytes)) };
  } catch (error) {
    return Response.json(
      { problems: [{ path: "", message: `The body is not JSON: ${String(error)}` }] },
      { status: 400 },
    );
  }
}

/** A body is a design itself, or an object with the design beside what else the call takes. */
function split(json: unknown): { design: unknown; rest: Json } {
  if (!isObject(json) || "format" in json || !("design" in json)) return { design: json, rest: {} };
  const { design, ...rest } = json;
  return { design, rest };
}

/**
 * Answers a call that is given a design: 400 for what is not JSON, 413 for too large, 422 for a bad design or bad
 * options, with the problems and their places.
 */
export async function withDesign(
  request: Request,
  answer: (design: Design, rest: Json) => Promise<Result<Response>>,
): Promise<Response> {
  const body = await readJson(request);
  if (body instanceof Response) return body;
  const { design, rest } = split(body.json);
  const read = readDesign(design);
  if (!read.ok) return unprocessable(read.problems);
  const result = await answer(read.value, rest);
  return result.ok ? result.value : unprocessable(result.problems);
}
