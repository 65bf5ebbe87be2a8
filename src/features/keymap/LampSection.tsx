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

/** What a lamp shows, or what a motor runs for, and how. */
export function LampSection({ control }: { control: Control }) {
  const design = useDesign();
  const rule = design.keymap.lamps[control.id] ?? { when: "never" };
  const set = (next: LampRule) => edit(`what ${control.label} shows`, (d) => setLampRule(d, control.id, next));
  return (
    <Section title={`${control.kind === "motor" ? "Motor" : "Lamp"} ${control.label}`}>
      <ChoiceField
        label={control.kind === "motor" ? "Runs to tell" : "Shows"}
        value={encodeRule(rule)}
        choices={[{ value: "never", label: "nothing" }, ...stateChoices(design)]}
        onCommit={(value) => set(decodeState(value) ?? { when: "never" })}
      />
      {rule.when === "value" && <ValueFromField rule={rule} set={set} />}
      {rule.when !== "never" && <LookFields control={control} />}
    </Section>
  );
}
