import { PANEL } from "../contract/panel";

/** What one line tells: which flag or value, counted from 0, and what it is now. */
export interface PanelLine {
  of: "flags" | "values";
  nth: number;
  to: number;
}

const LINE = /^(flag|value) (\d{1,3}) (\d{1,3})$/;

/** "value 2 200", "flag 3 1", numbers from 1; null for what a device does not understand. */
export function readPanelLine(text: string): PanelLine | null {
  const [, word, number, to] = LINE.exec(text) ?? [];
  if (!word) return null;
  const of = word === "flag" ? "flags" : "values";
  const [most, highest] = of === "flags" ? [PANEL.FLAGS, 1] : [PANEL.VALUES, 255];
  const nth = Number(number) - 1;
  return nth < 0 || nth >= most || Number(to) > highest ? null : { of, nth, to: Number(to) };
}

/** The lines that make what was told before into what is told now. */
export function panelLines(
  before: { flags: boolean[]; values: number[] },
  now: { flags: boolean[]; values: number[] },
): string[] {
  const changed = <T>(word: string, was: T[], is: T[], none: T) =>
    Array.from(
      { length: Math.max(was.length, is.length) },
      (_, nth) => [nth, was[nth] ?? none, is[nth] ?? none] as const,
    )
      .filter(([, one, other]) => one !== other)
      .map(([nth, , to]) => `${word} ${nth + 1} ${Number(to)}`);
  return [...changed("flag", before.flags, now.flags, false), ...changed("value", before.values, now.values, 0)];
}
