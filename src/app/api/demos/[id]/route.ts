import { shelfDesigns } from "@demo/index";
import { guarded } from "../../serve";

export const GET = (request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> =>
  guarded(request, async () => {
    const { id } = await context.params;
    const demo = shelfDesigns.find((design) => design.id === id);
    if (demo) return Response.json(demo);
    const known = shelfDesigns.map((design) => design.id).join(", ");
    return Response.json(
      { problems: [{ path: "id", message: `There is no demo "${id}"; there are ${known}.` }] },
      { status: 404 },
    );
  });
