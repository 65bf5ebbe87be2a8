"use client";

import { supplySchema } from "@/core/document/supplySettings";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Section } from "@/ui/pieces/sheets";
import { setSupply } from "./setSupply";

const LINES: NumberLine<"lamps" | "lights" | "displays" | "radios" | "outputs">[] = [
  { key: "lamps", label: "Lamps", unit: "%" },
  { key: "lights", label: "Lights", unit: "%" },
  { key: "displays", label: "Displays", unit: "%" },
  { key: "radios", label: "Radio, in bursts", unit: "%" },
  { key: "outputs", label: "Motors, buzzers", unit: "%" },
];

/** How much of what can be on is on at a usual moment. */
export function UsualSection() {
  const { usual } = useDesign().supply;
  return (
    <Section title="On at a usual moment">
      <Columns>
        <NumberFields
          schema={fieldOf(supplySchema, "usual")}
          lines={LINES}
          values={usual}
          onCommit={(key, value, { label }) =>
            edit(`usual ${label.toLowerCase()}`, (d) => setSupply(d, { usual: { ...usual, [key]: value } }))
          }
        />
      </Columns>
    </Section>
  );
}
