import { between, z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, elementOf } from "./controlKind";

const buzzerSchema = z.strictObject({ ...controlFields, kind: z.literal("buzzer"), currentMa: between(0.5, 200) });
export type Buzzer = z.infer<typeof buzzerSchema>;

const motorSchema = z.strictObject({ ...controlFields, kind: z.literal("motor"), currentMa: between(5, 2000) });
export type Motor = z.infer<typeof motorSchema>;

/** A sounder that needs a square wave. */
export const buzzer: ControlKind<Buzzer> = {
  kind: "buzzer",
  title: "Buzzer",
  article: "a buzzer",
  prefix: "B",
  schema: buzzerSchema,
  partId: "buzzer-12",
  fresh: (id, label, placement) => ({ id, kind: "buzzer", label, placement, partId: "buzzer-12", currentMa: 5 }),
  ...asPart,
  elements: (control) => [
    elementOf(control, "sound", "output", control.label, contactRow(control.id, ["plus", "minus"], 0, 7.6)),
  ],
  inputs: () => [],
  describe: (control) => `${control.currentMa} mA`,
};

/** A vibration motor; it takes more than a pin gives, so it has a transistor. */
export const motor: ControlKind<Motor> = {
  kind: "motor",
  title: "Motor",
  article: "a motor",
  prefix: "M",
  schema: motorSchema,
  partId: "motor-10",
  fresh: (id, label, placement) => ({ id, kind: "motor", label, placement, partId: "motor-10", currentMa: 80 }),
  ...asPart,
  elements: (control) => [
    elementOf(control, "motor", "output", control.label, contactRow(control.id, ["plus", "minus"], 4)),
  ],
  inputs: () => [],
  describe: (control) => `${control.currentMa} mA`,
};
