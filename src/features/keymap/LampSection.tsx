"use client";

import type { Control } from "@/core/catalogue/kinds";
import { derive } from "@/core/derived/derive";
import { togetherInput } from "@/core/document/keyRules";
import { setLampRule } from "@/core/edits/keymap";
import type { LampRule } from "@/core/document/schema";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";

function encode(rule: LampRule): string {
  if (rule.when === "layer") return `layer ${rule.layerId}`;
  if (rule.when === "held") return `held ${rule.inputId}`;
  return rule.when === "lock" ? `lock ${rule.lock}` : rule.when;
}

function decode(value: string): LampRule {
  const space = value.indexOf(" ");
  const [when, what] = space < 0 ? [value, ""] : [value.slice(0, space), value.slice(space + 1)];
  if (when === "layer") return { when, layerId: what };
  if (when === "held") return { when, inputId: what };
  if (when === "lock") return { when, lock: what as "num" | "caps" | "scroll" };
  return { when: when === "always" || when === "next" ? when : "never" };
}

/** What a lamp shows. */
export function LampSection({ control }: { control: Control }) {
  const design = useDesign();
  const rule = design.keymap.lamps[control.id] ?? { when: "never" };
  const choices = [
    { value: "never", label: "nothing" },
    { value: "always", label: "that the device runs" },
    { value: "next", label: "that something waits for the next key" },
    ...design.keymap.layers.map(({ id, name }) => ({ value: `layer ${id}`, label: `that ${name} is active` })),
    ...(["num", "caps", "scroll"] as const).map((lock) => ({
      value: `lock ${lock}`,
      label: `the host's ${lock} lock`,
    })),
  ];
  const held = derive(design)
    .bindable.filter(({ id }) => !id.endsWith(togetherInput("")))
    .map(({ id, label }) => ({ value: `held ${id}`, label: `that ${label} is held` }));
  return (
    <Section title={`Lamp ${control.label}`}>
      <ChoiceField
        label="Shows"
        value={encode(rule)}
        choices={[...choices, ...held]}
        onCommit={(value) => edit(`what ${control.label} shows`, (d) => setLampRule(d, control.id, decode(value)))}
      />
    </Section>
  );
}
