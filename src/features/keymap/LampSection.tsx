"use client";

import type { Control } from "@/core/catalogue/kinds";
import { derive } from "@/core/derived/derive";
import { togetherInput } from "@/core/document/keyRules";
import { knobOf } from "@/core/document/knobs";
import { setLampRule } from "@/core/edits/keymap";
import type { LampRule } from "@/core/document/lampRule";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";

function encode(rule: LampRule): string {
  if (rule.when === "layer") return `layer ${rule.layerId}`;
  if (rule.when === "held") return `held ${rule.inputId}`;
  if (rule.when === "value") return `value ${rule.elementId}`;
  return rule.when === "lock" ? `lock ${rule.lock}` : rule.when;
}

function decode(value: string): LampRule {
  const space = value.indexOf(" ");
  const [when, what] = space < 0 ? [value, ""] : [value.slice(0, space), value.slice(space + 1)];
  if (when === "layer") return { when, layerId: what };
  if (when === "held") return { when, inputId: what };
  if (when === "value") return { when, elementId: what, atLeast: 1 };
  if (when === "lock") return { when, lock: what as "num" | "caps" | "scroll" };
  return { when: when === "always" || when === "next" || when === "awake" ? when : "never" };
}

/** What a lamp shows. */
export function LampSection({ control }: { control: Control }) {
  const design = useDesign();
  const rule = design.keymap.lamps[control.id] ?? { when: "never" };
  const choices = [
    { value: "never", label: "nothing" },
    { value: "always", label: "that the device runs" },
    { value: "next", label: "that something waits for the next key" },
    { value: "awake", label: "that it keeps the computer awake" },
    ...design.keymap.layers.map(({ id, name }) => ({ value: `layer ${id}`, label: `that ${name} is active` })),
    ...(["num", "caps", "scroll"] as const).map((lock) => ({
      value: `lock ${lock}`,
      label: `the host's ${lock} lock`,
    })),
  ];
  const held = derive(design)
    .bindable.filter(({ id }) => !id.endsWith(togetherInput("")) && !id.endsWith("-back"))
    .map(({ id, label }) => ({ value: `held ${id}`, label: `that ${label} is held` }));
  const knobs = [...derive(design).elements.values()].filter(({ kind }) => kind === "quadrature");
  const values = knobs.map(({ id, label }) => ({ value: `value ${id}`, label: `how far the value of ${label} is` }));
  const set = (next: LampRule) => edit(`what ${control.label} shows`, (d) => setLampRule(d, control.id, next));
  return (
    <Section title={`Lamp ${control.label}`}>
      <ChoiceField
        label="Shows"
        value={encode(rule)}
        choices={[...choices, ...values, ...held]}
        onCommit={(value) => set(decode(value))}
      />
      {rule.when === "value" && (
        <NumberField
          label={`Lit from, of ${knobOf(design.keymap.knobs, rule.elementId).top}`}
          unit=""
          whole
          min={1}
          max={Math.max(1, knobOf(design.keymap.knobs, rule.elementId).top)}
          value={rule.atLeast}
          onCommit={(atLeast) => set({ ...rule, atLeast })}
        />
      )}
    </Section>
  );
}
