import { demoDesigns } from "@demo/index";

export async function GET(_request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await context.params;
  const demo = demoDesigns.find((design) => design.id === id);
  if (demo) return Response.json(demo);
  const known = demoDesigns.map((design) => design.id).join(", ");
  return Response.json(
    { problems: [{ path: "id", message: `There is no demo "${id}"; there are ${known}.` }] },
    { status: 404 },
  );
}
