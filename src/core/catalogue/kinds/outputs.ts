import { between, whole, z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, elementOf } from "./controlKind";

const buzzerSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("buzzer"),
  currentMa: between(0.5, 200),
  /** The square wave that it wants, in Hz; as usual where nothing is said. */
  toneHz: z.optional(whole(100, 8000)),
  /** It has an oscillator of its own, and sounds as soon as it has power. */
  ownTone: z.optional(z.boolean()),
});
export type Buzzer = z.infer<typeof buzzerSchema>;

const motorSchema = z.strictObject({ ...controlFields, kind: z.literal("motor"), currentMa: between(5, 2000) });
export type Motor = z.infer<typeof motorSchema>;

/** Where small sounders are loudest (from memory; the data sheet says it of one's own). */
export const USUAL_TONE_HZ = 2700;

/** The square wave that a control wants, in Hz; 0 for what sounds by itself, or does not sound. */
export const toneOf = (control: { kind: string; toneHz?: number; ownTone?: boolean } | undefined): number =>
  control?.kind === "buzzer" && !control.ownTone ? (control.toneHz ?? USUAL_TONE_HZ) : 0;

/** A sounder: one that needs a square wave, or one with its own. */
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
  describe: (control) => `${control.currentMa} mA, ${toneOf(control) > 0 ? `${toneOf(control)} Hz` : "its own tone"}`,
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
