import { toJSONSchema } from "zod/mini";
import { designSchema } from "./schema";

/** The published JSON Schema (draft 2020-12) of the design document. */
export const designJsonSchema = (): object => ({
  title: "Ovrin design",
  description: "One custom input device: what its builder decided. Everything else is derived.",
  ...toJSONSchema(designSchema, { target: "draft-2020-12", unrepresentable: "any" }),
});
