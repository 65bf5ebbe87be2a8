import { PANEL } from "../contract/panel";
import { MUSIC } from "../contract/music";
import { listOf, text, whole, z } from "../schema";

/** Controllers from 120 on say something else (MIDI 1.0, table III); eight values follow the first. */
export const HIGHEST_FIRST_CONTROLLER = 119 - PANEL.VALUES + 1;

/** The usual one: the first channel, middle C, and the first of the controllers that nobody has given a meaning (MIDI 1.0, table III). */
export const usualNotes = { channel: 0, note: 60, controller: 20 } as const;

/** What a person calls the flags and values that the computer tells, in their order. */
export const panelSettingsSchema = z.strictObject({
  flags: listOf(text(1, 40), PANEL.FLAGS),
  values: listOf(text(1, 40), PANEL.VALUES),
  /** Lines of text over a serial port tell the same. */
  lines: z.optional(z.boolean()),
  /** And so do notes that the computer plays on a channel (0 to 15): the note of the first flag, and the controller of the first value. */
  notes: z.optional(
    z.strictObject({
      channel: whole(0, MUSIC.CHANNELS - 1),
      note: whole(0, 127),
      controller: whole(0, HIGHEST_FIRST_CONTROLLER),
    }),
  ),
});
export type PanelSettings = z.infer<typeof panelSettingsSchema>;

interface Told {
  reportSet: { interfaces: readonly string[]; panel?: PanelSettings | undefined };
}
/** Whether lines of text tell it. */
export const takesLines = ({ reportSet }: Told): boolean => reportSet.panel?.lines === true;

/** The notes that tell it, of a device that plays music too: it is on the same interface that they come. */
export const notesHeard = ({ reportSet }: Told): PanelSettings["notes"] =>
  reportSet.interfaces.includes("music") ? reportSet.panel?.notes : undefined;

/** How a program on the computer can tell it. */
export type TellingWay = "report" | "lines" | "notes";
export const tellingWays = (design: Told): TellingWay[] => [
  ...(design.reportSet.interfaces.includes("panel") ? (["report"] as const) : []),
  ...(takesLines(design) ? (["lines"] as const) : []),
  ...(notesHeard(design) ? (["notes"] as const) : []),
];

/** Whether a computer tells it anything, over its report, by lines or by notes. */
export const isTold = (design: Told): boolean => tellingWays(design).length > 0;

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
