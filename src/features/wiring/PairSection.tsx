"use client";

import type { Circuit } from "@/core/circuits";
import type { Charlieplex } from "@/core/circuits/charlieplex";
import type { TwoWayMatrix } from "@/core/circuits/twoWayMatrix";
import { setLinePair, setTwoWayCell } from "@/core/edits/wiring";
import type { Design } from "@/core/document/schema";
import { edit } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";

const lines = (letter: string, used: number) =>
  Array.from({ length: Math.min(16, used + 2) }, (_, nth) => ({ value: String(nth), label: `${letter}${nth + 1}` }));

/** The place of one selected part in a two-way matrix or between line pairs; a taken place is swapped. */
export function PairSection({ design, ids }: { design: Design; ids: string[] }) {
  if (ids.length !== 1) return null;
  const [id] = ids;
  const holds = (circuit: Circuit) =>
    (circuit.kind === "two-way-matrix" && id in circuit.cells) ||
    (circuit.kind === "charlieplex" && id in circuit.pairs);
  const circuit = design.circuits.find(holds);
  if (circuit?.kind === "two-way-matrix") return <TwoWayPlace circuit={circuit} id={id} />;
  return circuit?.kind === "charlieplex" ? <PairPlace circuit={circuit} id={id} /> : null;
}

function TwoWayPlace({ circuit, id }: { circuit: TwoWayMatrix; id: string }) {
  const cell = circuit.cells[id];
  const most = (axis: "row" | "column") => Math.max(...Object.values(circuit.cells).map((one) => one[axis]));
  const set = (change: Partial<typeof cell>) =>
    edit("place in a two-way matrix", (d) => setTwoWayCell(d, circuit.id, id, { ...cell, ...change }));
  return (
    <>
      <Columns>
        <ChoiceField
          label="Row"
          value={String(cell.row)}
          choices={lines("R", most("row"))}
          onCommit={(row) => set({ row: Number(row) })}
        />
        <ChoiceField
          label="Column"
          value={String(cell.column)}
          choices={lines("C", most("column"))}
          onCommit={(column) => set({ column: Number(column) })}
        />
      </Columns>
      <ChoiceField
        label="Diode"
        value={cell.direction}
        choices={[
          { value: "column-to-row", label: "column → row" },
          { value: "row-to-column", label: "row → column" },
        ]}
        onCommit={(direction) => set({ direction: direction as typeof cell.direction })}
      />
    </>
  );
}

function PairPlace({ circuit, id }: { circuit: Charlieplex; id: string }) {
  const pair = circuit.pairs[id];
  const most = Math.max(...Object.values(circuit.pairs).flatMap(({ from, to }) => [from, to]));
  const set = (change: Partial<typeof pair>) =>
    edit("line pair of a lamp", (d) => setLinePair(d, circuit.id, id, { ...pair, ...change }));
  return (
    <Columns>
      <ChoiceField
        label="Anode on"
        value={String(pair.from)}
        choices={lines("X", most).filter(({ value }) => value !== String(pair.to))}
        onCommit={(from) => set({ from: Number(from) })}
      />
      <ChoiceField
        label="Cathode on"
        value={String(pair.to)}
        choices={lines("X", most).filter(({ value }) => value !== String(pair.from))}
        onCommit={(to) => set({ to: Number(to) })}
      />
    </Columns>
  );
}
