import { sourceLabel } from "../derived/valueSources";
import type { GlowRule } from "../document/glows";
import { type LampRule, toldNumber } from "../document/lampRule";
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
  return sourceLabel(design, elementId) ?? "a knob that is gone";
}

/** "a value of the computer's", for one beyond those that have a name; else null. */
export const goneToldValue = ({ reportSet: { panel = noPanel } }: Design, elementId: string): string | null =>
  toldNumber(elementId) >= panel.values.length ? "a value of the computer's" : null;

/** What a lamp or glow shows of the computer's that has no name any more, or null. */
export function goneTold(design: Design, rule: LampRule | GlowRule): string | null {
  const { panel = noPanel } = design.reportSet;
  if (rule.when === "told") return rule.flag >= panel.flags.length ? "a flag of the computer's" : null;
  return rule.when === "value" ? goneToldValue(design, rule.elementId) : null;
}
