"use client";

import type { PurchaseLine } from "@/core/purchase/purchase";
import { usePurchase } from "@/store/assemblyAside";
import { partNames } from "@/core/wires/partNames";
import { useDesign } from "@/store/bench";
import { select } from "@/store/hand";
import { pickPartLine, useStepInHand } from "@/store/stepInHand";
import { Table, type TableColumn } from "@/ui/pieces/Table";
import { amountWords, money } from "./moneyWords";

/** Everything one device or several are made of, and where each line is bought. */
export function PartsTable() {
  const design = useDesign();
  const { view } = usePurchase(design);
  const partName = useStepInHand((state) => state.partName);
  if (!view) return null;
  const columns: TableColumn<PurchaseLine>[] = [
    { title: "Part", cell: ({ name }) => name },
    { title: "Needed", numeric: true, cell: (line) => amountWords(line, line.needed) },
    { title: "In drawer", numeric: true, cell: (line) => (line.inStock > 0 ? amountWords(line, line.inStock) : "") },
    { title: "To buy", numeric: true, cell: (line) => (line.open > 0 ? amountWords(line, line.open) : "nothing") },
    {
      title: "Buy",
      cell: ({ bought, open }) =>
        bought ? `${Number(bought.quantity.toFixed(2))} from ${bought.supplier}` : open > 0 ? "no offer" : "",
    },
    { title: "For", numeric: true, cell: ({ bought }) => (bought ? money(bought.cost) : "") },
  ];
  const pick = ({ name, of }: PurchaseLine) => {
    const isOn = name !== partName;
    pickPartLine(isOn ? name : null);
    // What is picked in the list is picked on the mat too.
    const named = new Set(of);
    const ids = [...partNames(design).controls].flatMap(([id, one]) => (named.has(one) ? [id] : []));
    select(isOn ? ids : []);
  };
  return (
    <Table
      label="Parts list"
      rows={view.lines}
      columns={columns}
      rowId={({ name }) => name}
      isSelected={({ name }) => name === partName}
      onPick={pick}
      empty="No parts yet: place some in Layout first."
    />
  );
}
