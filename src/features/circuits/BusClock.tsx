"use client";

import { busSettings, setBus } from "@/core/edits/buses";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";

const CLOCKS = [100, 400, 1000] as const;

/** How fast a two-wire bus is clocked. */
export function BusClock({ bus }: { bus: number }) {
  const design = useDesign();
  return (
    <ChoiceField
      label="Clock of the bus"
      value={String(busSettings(design, bus).khz)}
      choices={CLOCKS.map((khz) => ({ value: String(khz), label: `${khz} kHz` }))}
      onCommit={(value) =>
        edit("clock of the bus", (d) => setBus(d, bus, { khz: Number(value) as (typeof CLOCKS)[number] }))
      }
    />
  );
}
