import { designJsonSchema } from "@/core/document/jsonSchema";

export const dynamic = "force-static";

export const GET = () => Response.json(designJsonSchema());
