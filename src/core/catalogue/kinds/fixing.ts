import { z } from "../../schema";
import { type ControlKind, asPart, controlFields } from "./controlKind";

const fixingSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("fixing"),
  /** Whether it carries the plate: a standoff does, a plain hole does not. */
  carries: z.boolean(),
});
export type Fixing = z.infer<typeof fixingSchema>;

/** A standoff or a mounting hole. It is placed like a control but has no contacts. */
export const fixing: ControlKind<Fixing> = {
  kind: "fixing",
  title: "Standoff",
  article: "a standoff",
  prefix: "H",
  schema: fixingSchema,
  partId: "standoff-m2",
  fresh: (id, label, placement) => ({ id, kind: "fixing", label, placement, partId: "standoff-m2", carries: true }),
  ...asPart,
  elements: () => [],
  inputs: () => [],
  describe: (control) => (control.carries ? "carries the plate, 1 hole" : "1 hole"),
};
