import { shelfDesigns } from "@demo/index";

export const dynamic = "force-static";

export const GET = () => Response.json(shelfDesigns.map(({ id, name, note }) => ({ id, name, note })));
