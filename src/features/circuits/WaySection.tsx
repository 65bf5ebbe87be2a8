"use client";

import type { SupplyView } from "@/core/power/supplyView";
import { Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { ma, volts } from "./words";

const heat = (mw: number) => (mw < 1000 ? `${mw.toFixed(0)} mW` : `${(mw / 1000).toFixed(2)} W`);

/** What the current passes on its way, with everything at its most. */
export function WaySection({ view }: { view: SupplyView }) {
  return (
    <Section title="On the way, at its most">
      <SmallTable
        label="What stands in series"
        heads={["Part", "Carries", "Loses", "Heat"]}
        rows={[
          [view.sourceTitle, "", volts(view.sourceLeastV), ""],
          ...view.series.map(({ title, ma: carried, dropV, mw }) => [title, ma(carried), volts(dropV), heat(mw)]),
        ]}
      />
    </Section>
  );
}

/** Each rail with what hangs on it, and the part that has least. */
export function RailsSection({ view: { rails } }: { view: SupplyView }) {
  if (rails.length === 0) return null;
  return (
    <Section title="Rails, at their most">
      <SmallTable
        label="Rails"
        heads={["Rail", "Starts at", "Carries", "Least"]}
        rows={rails.map(({ flag, volts: start, ma: carried, leastV, leastAt }) => [
          leastAt ? `${flag}, least at ${leastAt}` : flag,
          volts(start),
          ma(carried),
          volts(leastV),
        ])}
      />
    </Section>
  );
}
