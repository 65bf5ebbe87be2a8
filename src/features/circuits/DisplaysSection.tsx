"use client";

import type { BusDisplays } from "@/core/circuits/busDisplays";
import { Columns, Section } from "@/ui/pieces/sheets";
import { BusClock } from "./BusClock";

/** How fast the displays' bus is. */
export const DisplaysSection = ({ circuit }: { circuit: BusDisplays }) => (
  <Section title={circuit.name}>
    <Columns>
      <BusClock bus={circuit.bus} />
    </Columns>
  </Section>
);
