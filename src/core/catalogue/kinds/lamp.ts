import { circle } from "../../geometry/outline";
import { between, z } from "../../schema";
import { lampColours } from "../lampColours";
import { type ControlKind, contactRow, controlFields, elementOf } from "./controlKind";

const lampSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("lamp"),
  diameterMm: between(1, 30),
  /** Current through the lamp when lit. */
  currentMa: between(0.1, 50),
  /** It says what voltage stays on the lamp. */
  colour: z.enum(lampColours),
});
export type Lamp = z.infer<typeof lampSchema>;

/** A single light-emitting diode behind its resistor. */
export const lamp: ControlKind<Lamp> = {
  kind: "lamp",
  title: "Lamp",
  article: "a lamp",
  prefix: "L",
  schema: lampSchema,
  partId: "lamp-round",
  fresh: (id, label, placement) => ({
    id,
    kind: "lamp",
    label,
    placement,
    partId: "lamp-round",
    diameterMm: 3,
    currentMa: 2,
    colour: "red",
  }),
  cap: (control) => [circle(control.diameterMm)],
  body: (control) => circle(control.diameterMm + 0.8),
  openings: (control) => [circle(control.diameterMm + 0.1)],
  elements: (control) => [
    elementOf(control, "lamp", "lamp", control.label, contactRow(control.id, ["anode", "cathode"], 0)),
  ],
  inputs: () => [],
  describe: (control) => `⌀ ${control.diameterMm} mm, ${control.currentMa} mA`,
};
