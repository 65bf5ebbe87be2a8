import { derive } from "@/core/derived/derive";
import { valueSources } from "@/core/derived/valueSources";
import { togetherInput } from "@/core/document/keyRules";
import type { GlowRule } from "@/core/document/glows";
import { type LampRule, toldValue } from "@/core/document/lampRule";
import { noPanel } from "@/core/hid/panelSettings";
import type { Design } from "@/core/document/schema";

/** A state that lamps and lights can show. */
type State = Exclude<LampRule, { when: "never" }>;

/** A rule as a choice's value: what it is, then of which. */
export function encodeRule(rule: LampRule | GlowRule): string {
  if (rule.when === "layer") return `layer ${rule.layerId}`;
  if (rule.when === "held") return `held ${rule.inputId}`;
  if (rule.when === "value") return `value ${rule.elementId}`;
  if (rule.when === "told") return `told ${rule.flag}`;
  return rule.when === "lock" ? `lock ${rule.lock}` : rule.when;
}

/** The state that a choice's value names, or null where it names none. */
export function decodeState(value: string): State | null {
  const space = value.indexOf(" ");
  const [when, what] = space < 0 ? [value, ""] : [value.slice(0, space), value.slice(space + 1)];
  if (when === "layer") return { when, layerId: what };
  if (when === "held") return { when, inputId: what };
  if (when === "value") return { when, elementId: what, atLeast: 1 };
  if (when === "told") return { when, flag: Number(what) };
  if (when === "lock") return { when, lock: what as "num" | "caps" | "scroll" };
  return when === "always" || when === "next" || when === "awake" ? { when } : null;
}

/** What has a value that can be shown: of the device's own, and what the computer tells. */
export function knobsOf(design: Design): { id: string; label: string }[] {
  const own = valueSources(design);
  const { values } = design.reportSet.panel ?? noPanel;
  return [...own, ...values.map((label, nth) => ({ id: toldValue(nth), label }))];
}

/** States of this design as choices. */
export function stateChoices(design: Design): { value: string; label: string }[] {
  const held = derive(design).bindable.filter(({ id }) => !id.endsWith(togetherInput("")) && !id.endsWith("-back"));
  return [
    { value: "always", label: "that the device runs" },
    { value: "next", label: "that something waits for the next key" },
    { value: "awake", label: "that it keeps the computer awake" },
    ...design.keymap.layers.map(({ id, name }) => ({ value: `layer ${id}`, label: `that ${name} is active` })),
    ...(["num", "caps", "scroll"] as const).map((lock) => ({
      value: `lock ${lock}`,
      label: `the host's ${lock} lock`,
    })),
    ...(design.reportSet.panel ?? noPanel).flags.map((name, flag) => ({
      value: `told ${flag}`,
      label: `that the computer says “${name}”`,
    })),
    ...knobsOf(design).map(({ id, label }) => ({ value: `value ${id}`, label: `how far the value of ${label} is` })),
    ...held.map(({ id, label }) => ({ value: `held ${id}`, label: `that ${label} is held` })),
  ];
}
