import { MOST_DESIGN_BYTES } from "@/core/formats/designBytes";
import { type Reply, problemReply } from "@/workers/server/reply";
import { runTask } from "@/workers/server/runTask";
import type { TaskName } from "@/workers/server/tasks";

const responseOf = ({ status, headers, body }: Reply): Response =>
  new Response(body as string | Uint8Array<ArrayBuffer>, { status, headers });

const LOOPBACK = ["localhost", "127.0.0.1", "[::1]"];

/** The name before the port: "127.0.0.1" of "127.0.0.1:4100". */
const nameOf = (host: string) => host.replace(/:\d+$/, "").toLowerCase();

/** Names under which the server may be asked, beside the loopback ones: those it was told of, with commas between. */
const ownNames = () => [...LOOPBACK, ...(process.env.OVRIN_HOSTS ?? "").split(",").filter(Boolean).map(nameOf)];

/**
 * Whether a request comes from the app itself or from a script on this machine. A web page elsewhere can send requests
 * to a loopback address, but its browser then says where it comes from; and a name that was made to point here says
 * another host.
 */
function refusal(request: Request): Reply | null {
  const host = request.headers.get("host") ?? new URL(request.url).host;
  if (!ownNames().includes(nameOf(host)))
    return problemReply(403, {
      path: "",
      message: `This server does not answer for "${host}"; name it in OVRIN_HOSTS if it should.`,
    });
  const origin = request.headers.get("origin");
  if (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`)
    return problemReply(403, { path: "", message: `This server does not answer pages of ${origin}.` });
  return null;
}

/** Answers a request, or says in JSON why not. */
export async function guarded(request: Request, answer: () => Promise<Response> | Response): Promise<Response> {
  const refused = refusal(request);
  if (refused) return responseOf(refused);
  try {
    return await answer();
  } catch (error) {
    return responseOf(problemReply(500, { path: "", message: `The server could not answer: ${String(error)}` }));
  }
}

const megabytes = MOST_DESIGN_BYTES / 1024 / 1024;

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

/** Answers a call with a body by working out its task: 413 for too large, 503 for what takes too long. */
export const serve = (request: Request, name: TaskName, parameter = ""): Promise<Response> =>
  guarded(request, async () => {
    const bytes = await readBytes(request);
    if (bytes === null)
      return responseOf(problemReply(413, { path: "", message: `The body is larger than ${megabytes} MB.` }));
    return responseOf(await runTask(name, bytes, parameter));
  });
