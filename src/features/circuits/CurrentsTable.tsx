"use client";

import type { PartLoad } from "@/core/power/supplyView";
import { useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { pickControl } from "@/store/pick";
import { useSupplyView } from "@/store/circuitsAside";
import { Table } from "@/ui/pieces/Table";
import { STATES, ma, shortWords, volts } from "./words";

/** Everything that takes current, at each moment. */
export function CurrentsTable() {
  const { view } = useSupplyView(useDesign());
  const selection = useHand((state) => state.selection);
  return (
    <Table
      label="What takes current"
      rows={view?.parts ?? []}
      rowId={({ id }) => id}
      isSelected={({ controlId }: PartLoad) => controlId !== null && selection.includes(controlId)}
      onPick={({ controlId }, adding) => controlId && pickControl(controlId, adding)}
      empty="Nothing takes current yet: choose a controller in Pins and wire lamps, lights or displays."
      columns={[
        { title: "Part", cell: ({ label }) => label },
        { title: "Sort", cell: ({ sort }) => sort },
        { title: "Rail", cell: ({ rail }) => rail ?? "inside the module" },
        ...STATES.map((state) => ({
          title: shortWords[state],
          numeric: true,
          cell: (part: PartLoad) => ma(part.ma[state]),
        })),
        { title: "Least", numeric: true, cell: ({ leastV }) => volts(leastV) },
      ]}
    />
  );
}
