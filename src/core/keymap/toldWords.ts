import { derive } from "../derived/derive";
import { toldNumber } from "../document/lampRule";
import type { Design } from "../document/schema";
import { noPanel } from "../hid/panelSettings";

/** What a flag that the computer sets is called. */
export const flagName = ({ reportSet: { panel = noPanel } }: Design, flag: number): string =>
  panel.flags[flag] ?? `flag ${flag + 1}`;

/** What a value is called: of a knob, an axis, or one that the computer tells. */
export function valueName(design: Design, elementId: string): string {
  const told = toldNumber(elementId);
  const { panel = noPanel } = design.reportSet;
  if (told >= 0) return panel.values[told] ?? `value ${told + 1}`;
  return derive(design).elements.get(elementId)?.label ?? "a knob that is gone";
}
