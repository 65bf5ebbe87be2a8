import { PANEL } from "../contract/panel";
import { listOf, text, z } from "../schema";

/** What a person calls the flags and values that the computer tells, in their order. */
export const panelSettingsSchema = z.strictObject({
  flags: listOf(text(1, 40), PANEL.FLAGS),
  values: listOf(text(1, 40), PANEL.VALUES),
  /** Lines of text over a serial port tell the same. */
  lines: z.optional(z.boolean()),
});
export type PanelSettings = z.infer<typeof panelSettingsSchema>;

interface Told {
  reportSet: { interfaces: readonly string[]; panel?: PanelSettings | undefined };
}
/** Whether lines of text tell it. */
export const takesLines = ({ reportSet }: Told): boolean => reportSet.panel?.lines === true;

/** Whether a computer tells it anything, over its report or by lines. */
export const isTold = (design: Told): boolean => design.reportSet.interfaces.includes("panel") || takesLines(design);

export const noPanel: PanelSettings = { flags: [], values: [] };

/** The bytes that tell flags and values. */
export function panelBytes(flags: boolean[], values: number[]): Uint8Array {
  const bytes = new Uint8Array(PANEL.BYTES);
  flags.slice(0, PANEL.FLAGS).forEach((on, nth) => {
    if (on) bytes[nth >> 3] |= 1 << (nth & 7);
  });
  values.slice(0, PANEL.VALUES).forEach((value, nth) => {
    bytes[PANEL.VALUES_AT + nth] = Math.max(0, Math.min(255, Math.round(value)));
  });
  return bytes;
}
