import { idSchema } from "../catalogue/kinds/controlKind";
import { listOf, z } from "../schema";

/**
 * A plug that goes in one way only, or a row of pins that can be put on either way round. The order of conductors is the same at both ends.
 */
export const linkPlugs = ["keyed", "either-way"] as const;

/** Two controllers of a device that tell each other over a line: the main one's end and the other's. */
const partLinkSchema = z.strictObject({
  id: idSchema,
  nearId: idSchema,
  farId: idSchema,
  plug: z.enum(linkPlugs),
});
export type PartLink = z.infer<typeof partLinkSchema>;

export const partLinkListSchema = listOf(partLinkSchema, 7);
