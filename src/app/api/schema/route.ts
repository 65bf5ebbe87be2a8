import { designJsonSchema } from "@/core/design/jsonSchema";

export const dynamic = "force-static";

export const GET = () => Response.json(designJsonSchema());
