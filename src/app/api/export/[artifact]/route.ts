import { artifacts } from "@/core/exports/registry";
import { problemReply } from "@/workers/server/reply";
import { serve } from "../../serve";

export async function POST(request: Request, context: { params: Promise<{ artifact: string }> }): Promise<Response> {
  const { artifact: id } = await context.params;
  if (artifacts.some((artifact) => artifact.id === id)) return serve(request, "export", id);
  const known = artifacts.map((one) => one.id).join(", ");
  const { status, headers, body } = problemReply(404, {
    path: "artifact",
    message: `There is no export "${id}"; there are ${known}.`,
  });
  return new Response(body as string, { status, headers });
}
