"use client";

import type { Switched } from "@/core/power/switched";
import { Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { ma } from "./words";

/** Motors and buzzers behind a transistor, with resistor and diode. */
export function SwitchedSection({ switched }: { switched: Switched[] }) {
  if (switched.length === 0) return null;
  return (
    <Section title="Switched by a transistor">
      <SmallTable
        label="Motors and buzzers behind a transistor"
        heads={["Part", "Resistor", "From the pin", "Diode"]}
        rows={switched.map(({ label, transistor, resistor, pinMa, flyback }) => [
          `${label}, ${transistor}`,
          resistor,
          ma(pinMa),
          flyback,
        ])}
      />
    </Section>
  );
}
