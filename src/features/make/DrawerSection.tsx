"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { usualPurchase } from "@/core/document/purchaseSettings";
import { setPurchase } from "@/core/edits/purchase";
import { readStockTable } from "@/core/formats/purchaseTables";
import type { PurchaseView } from "@/core/purchase/purchaseView";
import { counted } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { FileButton } from "@/ui/pieces/FileButton";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";
import { lineWords } from "./lineWords";

/** What is there already is not bought. */
export function DrawerSection({ view }: { view: PurchaseView }) {
  const { purchase } = useDesign();
  const { stock } = purchase ?? usualPurchase;
  const [said, setSaid] = useState("");
  const used = view.lines.filter(({ inStock }) => inStock > 0).length;
  const take = async (file: File) => {
    const read = readStockTable(await file.text());
    if (read.stock.size > 0)
      edit("read in the drawer", (d) =>
        setPurchase(d, { stock: { ...(d.purchase ?? usualPurchase).stock, ...Object.fromEntries(read.stock) } }),
      );
    setSaid(lineWords(`${counted(read.stock.size, "part")} read`, read.problems));
  };
  const entries = Object.keys(stock).length;
  return (
    <Section title="In the drawer" aside={<span>{counted(entries, "part")}</span>}>
      <div>
        {entries === 0
          ? "Nothing said yet: pick a line and say how many are there, or read a list in."
          : `${used} of them ${used === 1 ? "is" : "are"} used here, and not bought again.`}
      </div>
      <Row>
        <FileButton
          title="Stock from CSV"
          label="Table of stock"
          accept=".csv,text/csv"
          onFile={(file) => void take(file)}
        />
        {entries > 0 && (
          <PlainButton onClick={() => edit("empty the drawer", (d) => setPurchase(d, { stock: {} }))}>
            Empty it
          </PlainButton>
        )}
      </Row>
      <Box color="var(--faint)">Columns: part, count. Parts by their names in the list.</Box>
      {said && <Box role="status">{said}</Box>}
    </Section>
  );
}
