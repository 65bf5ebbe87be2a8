import { idSchema } from "../catalogue/kinds/controlKind";
import { text, z } from "../schema";

/** Fields that every circuit has. */
export const circuitFields = {
  id: idSchema,
  name: text(1, 40),
  /** The controller that its lines go to, where that is not the main one. */
  controllerId: z.optional(idSchema),
};
