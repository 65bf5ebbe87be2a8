import { demoDesigns } from "@demo/index";

export const dynamic = "force-static";

export const GET = () => Response.json(demoDesigns.map(({ id, name, note }) => ({ id, name, note })));
