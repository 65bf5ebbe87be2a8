"use client";

import { Box } from "@chakra-ui/react";
import { totalSpan } from "@/core/assembly/time";
import { useDesign } from "@/store/bench";
import { useSimplerOnes } from "@/store/assemblyAside";
import { Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import type { Making } from "./useMaking";

const signed = (value: number, digits: number) =>
  `${value > 0 ? "+" : value < 0 ? "−" : ""}${Math.abs(value).toFixed(digits)}`;

/** What each simplification would save, in hours and at usual prices. */
export function SavingsSection({ making: { wish } }: { making: Making }) {
  const { view } = useSimplerOnes(useDesign());
  if (!view) return null;
  const [now, ...simpler] = view;
  const middle = (work: (typeof view)[number]["work"]) => totalSpan(work, wish).middle / 60;
  if (simpler.length === 0) return null;
  return (
    <Section title="What would be less work">
      <SmallTable
        label="What each simplification saves"
        heads={["", "hours", "parts"]}
        rows={simpler.map(({ title, work, parts }) => [
          title,
          signed(middle(work) - middle(now.work), 1),
          signed(parts - now.parts, 2),
        ])}
      />
      <Box color="var(--faint)">
        Parts at usual prices, a board at the first price step that it fits; what has no price counts nothing.
      </Box>
    </Section>
  );
}
