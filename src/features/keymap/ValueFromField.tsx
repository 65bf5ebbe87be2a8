"use client";

import { topOf } from "@/core/firmware/shownStates";
import type { GlowRule } from "@/core/document/glows";
import { useDesign } from "@/store/bench";
import { NumberField } from "@/ui/pieces/fields";

type ValueRule = Extract<GlowRule, { when: "value" }>;

/** From which value of a knob on something is seen. */
export function ValueFromField({ rule, set }: { rule: ValueRule; set: (rule: ValueRule) => void }) {
  const top = topOf(useDesign(), rule.elementId);
  return (
    <NumberField
      label={`Lit from, of ${top}`}
      unit=""
      whole
      min={1}
      max={Math.max(1, top)}
      value={rule.atLeast}
      onCommit={(atLeast) => set({ ...rule, atLeast })}
    />
  );
}
