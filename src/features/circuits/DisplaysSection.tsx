"use client";

import type { BusDisplays } from "@/core/circuits/busDisplays";
import { changeCircuit } from "@/core/edits/wiring";
import { edit } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";
import { BusClock } from "./BusClock";

const PIECES = [0, 64, 32, 16, 8];

/** In which pieces pictures are written, and how fast the bus is. */
export function DisplaysSection({ circuit }: { circuit: BusDisplays }) {
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
        <BusClock bus={circuit.bus} />
      </Columns>
    </Section>
  );
}
