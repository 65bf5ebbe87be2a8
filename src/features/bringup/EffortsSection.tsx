"use client";

import { type EffortSort, effortSorts, usualEfforts } from "@/core/bringup/trial";
import { setEfforts } from "@/core/edits/bringUp";
import { edit, useDesign } from "@/store/bench";
import { NumberField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";

const NAMES: Record<EffortSort, string> = {
  press: "A press or a look",
  sweep: "A sweep",
  bend: "Bending",
  meter: "A meter",
};

/** What each sort of test costs this person: the best next test goes by it. */
export function EffortsSection() {
  const { bringUp } = useDesign();
  const efforts = bringUp?.efforts ?? usualEfforts;
  return (
    <Section title="What a test costs you">
      <Columns>
        {effortSorts.map((sort) => (
          <NumberField
            key={sort}
            label={NAMES[sort]}
            unit=""
            min={0.1}
            max={100}
            value={efforts[sort]}
            onCommit={(value) => edit("effort of a test", (d) => setEfforts(d, { ...efforts, [sort]: value }))}
          />
        ))}
      </Columns>
    </Section>
  );
}
