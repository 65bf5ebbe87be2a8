import { good } from "@/core/design/problem";
import { artifactNamed, artifacts } from "@/core/formats/registry";
import { withDesign } from "../../request";

export async function POST(request: Request, context: { params: Promise<{ artifact: string }> }): Promise<Response> {
  const { artifact: id } = await context.params;
  const artifact = artifactNamed(id);
  if (!artifact) {
    const known = artifacts.map((one) => one.id).join(", ");
    return Response.json(
      { problems: [{ path: "artifact", message: `There is no export "${id}"; there are ${known}.` }] },
      { status: 404 },
    );
  }
  return withDesign(request, async (design) => {
    const made = await artifact.make(design);
    if (!made.ok) return made;
    const { bytes, mediaType, fileName } = made.value;
    const headers = { "content-type": mediaType, "content-disposition": `attachment; filename="${fileName}"` };
    return good(new Response(bytes as Uint8Array<ArrayBuffer>, { headers }));
  });
}
