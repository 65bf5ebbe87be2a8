"use client";

import type { Control } from "@/core/catalogue/kinds";
import { setLampRule } from "@/core/edits/keymap";
import type { LampRule } from "@/core/document/lampRule";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";
import { LookFields } from "./LookFields";
import { ValueFromField } from "./ValueFromField";
import { decodeState, encodeRule, stateChoices } from "./shownStates";

/** What this section calls what is in hand, and what it does to tell something. */
const words: Partial<Record<Control["kind"], [title: string, does: string]>> = {
  motor: ["Motor", "Runs to tell"],
  buzzer: ["Buzzer", "Sounds to tell"],
};

/** What a lamp shows, what a motor runs or a sounder sounds for, and how. */
export function LampSection({ control }: { control: Control }) {
  const design = useDesign();
  const rule = design.keymap.lamps[control.id] ?? { when: "never" };
  const [title, does] = words[control.kind] ?? ["Lamp", "Shows"];
  const set = (next: LampRule) => edit(`what ${control.label} shows`, (d) => setLampRule(d, control.id, next));
  return (
    <Section title={`${title} ${control.label}`}>
      <ChoiceField
        label={does}
        value={encodeRule(rule)}
        choices={[{ value: "never", label: "nothing" }, ...stateChoices(design)]}
        onCommit={(value) => set(decodeState(value) ?? { when: "never" })}
      />
      {rule.when === "value" && <ValueFromField rule={rule} set={set} />}
      {rule.when !== "never" && <LookFields control={control} />}
    </Section>
  );
}
