import { between, z } from "../../schema";
import { circle } from "../../layout/outline";
import { point } from "../../layout/point";
import { type ControlKind, controlFields } from "./controlKind";

const lampSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("lamp"),
  diameterMm: between(1, 30),
  /** Current through the lamp when lit. */
  currentMa: between(0.1, 50),
});
export type Lamp = z.infer<typeof lampSchema>;

/** A single light-emitting diode behind its resistor. */
export const lamp: ControlKind<Lamp> = {
  kind: "lamp",
  title: "Lamp",
  article: "a lamp",
  prefix: "L",
  schema: lampSchema,
  fresh: (id, label, placement) => ({ id, kind: "lamp", label, placement, diameterMm: 3, currentMa: 2 }),
  cap: (control) => circle(control.diameterMm),
  body: (control) => circle(control.diameterMm + 0.8),
  elements: (control) => [
    {
      id: `${control.id}:lamp`,
      controlId: control.id,
      kind: "lamp",
      label: control.label,
      contacts: [
        { id: `${control.id}.anode`, name: "anode", at: point(-1.27, 0) },
        { id: `${control.id}.cathode`, name: "cathode", at: point(1.27, 0) },
      ],
    },
  ],
  inputs: () => [],
  describe: (control) => `⌀ ${control.diameterMm} mm, ${control.currentMa} mA`,
};
