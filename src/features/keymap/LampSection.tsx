"use client";

import type { Control } from "@/core/catalogue/kinds";
import { setLampRule } from "@/core/edits/keymap";
import type { LampRule } from "@/core/document/schema";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";

const encode = (rule: LampRule) =>
  rule.when === "layer" ? `layer ${rule.layerId}` : rule.when === "lock" ? `lock ${rule.lock}` : rule.when;

function decode(value: string): LampRule {
  const [when, what] = value.split(" ");
  if (when === "layer") return { when, layerId: what };
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
  return (
    <Section title={`Lamp ${control.label}`}>
      <ChoiceField
        label="Shows"
        value={encode(rule)}
        choices={choices}
        onCommit={(value) => edit(`what ${control.label} shows`, (d) => setLampRule(d, control.id, decode(value)))}
      />
    </Section>
  );
}
