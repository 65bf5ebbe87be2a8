"use client";

import type { LampBranch } from "@/core/power/lampBranches";
import { Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { ma, ohms } from "./words";

/** The resistor of each lamp: alike ones in one line. */
export function LampsSection({ branches }: { branches: LampBranch[] }) {
  if (branches.length === 0) return null;
  const sorts = new Map<string, typeof branches>();
  for (const branch of branches) {
    const key = `${branch.volts} ${branch.forwardV} ${branch.wishedMa}`;
    sorts.set(key, [...(sorts.get(key) ?? []), branch]);
  }
  return (
    <Section title="Resistors of the lamps (E12)">
      <SmallTable
        label="Resistors of the lamps"
        heads={["Lamps", "Each", "Takes", "Heat"]}
        rows={[...sorts.values()].map((alike) => [
          alike.length === 1 ? alike[0].label : `${alike.length} lamps, ${alike[0].label} …`,
          ohms(alike[0].ohm),
          ma(alike[0].ma),
          `${alike[0].mw.toFixed(1)} mW`,
        ])}
      />
    </Section>
  );
}
