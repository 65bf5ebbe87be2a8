"use client";

import type { SupplyView } from "@/core/power/supplyView";
import { Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { STATES, ma, stateWords } from "./words";

/** Current from the source at each moment, against what it gives. */
export function MomentsSection({ view }: { view: SupplyView }) {
  return (
    <Section title="Current from the source">
      <SmallTable
        label="Current at each moment"
        heads={["Moment", "Takes", "May take"]}
        rows={STATES.map((state) => {
          const { ma: taken, limitMa } = view.moments[state];
          const isOver = limitMa !== null && taken > limitMa;
          const colour = isOver ? `var(--${state === "asleep" ? "warn" : "stop"})` : undefined;
          return [
            stateWords[state],
            <span key="takes" style={{ color: colour }}>
              {ma(taken)}
            </span>,
            limitMa === null ? "no limit" : ma(limitMa),
          ];
        })}
      />
      <div style={{ color: "var(--faint)", fontSize: 13 }}>
        {view.broken.length === 0 ? "Every limit of current and voltage holds. " : ""}
        {view.sourceFrom}.
      </div>
    </Section>
  );
}
