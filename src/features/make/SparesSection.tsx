"use client";

import { partsGroups, usualPurchase } from "@/core/document/purchaseSettings";
import { setSpares } from "@/core/edits/purchase";
import { sparesOf } from "@/core/purchase/purchaseView";
import { edit, useDesign } from "@/store/bench";
import { NumberField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";

/** How many more are bought than are needed. */
export function SparesSection() {
  const { purchase } = useDesign();
  const spares = sparesOf(purchase ?? usualPurchase);
  return (
    <Section title="Spares">
      <details>
        <summary>So many more, by group</summary>
        {partsGroups.map((group) => {
          const rule = spares[group];
          return (
            <Columns key={group}>
              <NumberField
                label={`${group}, more`}
                unit="%"
                min={0}
                max={1000}
                value={rule.percent}
                onCommit={(percent) => edit("spares", (d) => setSpares(d, group, { ...rule, percent }))}
              />
              <NumberField
                label="and at least"
                unit=""
                whole
                min={0}
                max={10_000}
                value={rule.least}
                onCommit={(least) => edit("spares", (d) => setSpares(d, group, { ...rule, least }))}
              />
            </Columns>
          );
        })}
      </details>
    </Section>
  );
}
