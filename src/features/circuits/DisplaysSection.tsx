"use client";

import type { BusDisplays } from "@/core/circuits/busDisplays";
import { busSettings, setBus } from "@/core/edits/buses";
import { changeCircuit } from "@/core/edits/wiring";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";

const PIECES = [0, 64, 32, 16, 8];
const CLOCKS = [100, 400, 1000] as const;

/** In which pieces pictures are written, and how fast the bus is. */
export function DisplaysSection({ circuit }: { circuit: BusDisplays }) {
  const design = useDesign();
  return (
    <Section title={circuit.name}>
      <Columns>
        <ChoiceField
          label="Written in pieces of"
          value={String(circuit.piece ?? 0)}
          choices={[...new Set([...PIECES, circuit.piece ?? 0])].map((bytes) => ({
            value: String(bytes),
            label: bytes === 0 ? "a whole page" : `${bytes} bytes`,
          }))}
          onCommit={(value) =>
            edit("pieces of a picture", (d) =>
              changeCircuit<BusDisplays>(d, circuit.id, { piece: Number(value) === 0 ? undefined : Number(value) }),
            )
          }
        />
        <ChoiceField
          label="Clock of the bus"
          value={String(busSettings(design, circuit.bus).khz)}
          choices={CLOCKS.map((khz) => ({ value: String(khz), label: `${khz} kHz` }))}
          onCommit={(value) =>
            edit("clock of the bus", (d) => setBus(d, circuit.bus, { khz: Number(value) as (typeof CLOCKS)[number] }))
          }
        />
      </Columns>
    </Section>
  );
}
