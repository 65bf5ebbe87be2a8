import { between, whole, z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, elementOf } from "./controlKind";

const radioSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("radio"),
  /** While it sends or listens (15 mA without, 115 mA with an amplifier are typical; from memory). */
  currentMa: between(1, 500),
  /** Which edge of which resting clock its data is taken at; 0 where nothing is said. */
  spiMode: z.optional(whole(0, 3)),
});
export type Radio = z.infer<typeof radioSchema>;

const ENDS = ["data-in", "data-out", "clock", "select", "enable", "interrupt", "plus", "minus"];

/** A radio module on the serial bus: three shared lines, its own select, enable and interrupt. */
export const radio: ControlKind<Radio> = {
  kind: "radio",
  title: "Radio",
  article: "a radio",
  prefix: "RM",
  schema: radioSchema,
  partId: "radio-module",
  fresh: (id, label, placement) => ({ id, kind: "radio", label, placement, partId: "radio-module", currentMa: 15 }),
  ...asPart,
  elements: (control) => [elementOf(control, "radio", "device", control.label, contactRow(control.id, ENDS, 12, 1.8))],
  inputs: () => [],
  describe: () => "3 shared lines + 3 of its own",
};
