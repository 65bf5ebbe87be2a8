import { between, z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, elementOf } from "./controlKind";

const lightSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("light"),
  /** At full white (common practice: 20 to 60 mA). */
  currentMa: between(1, 100),
});
export type Light = z.infer<typeof lightSchema>;

/** One light of a chain, told its colour by number. */
export const light: ControlKind<Light> = {
  kind: "light",
  title: "Light",
  article: "a light",
  prefix: "LT",
  schema: lightSchema,
  partId: "light-5050",
  fresh: (id, label, placement) => ({ id, kind: "light", label, placement, partId: "light-5050", currentMa: 40 }),
  ...asPart,
  elements: (control) => [
    elementOf(control, "light", "light", control.label, contactRow(control.id, ["in", "out", "plus", "minus"], 0, 1.6)),
  ],
  inputs: () => [],
  describe: (control) => `${control.currentMa} mA at full white`,
};
