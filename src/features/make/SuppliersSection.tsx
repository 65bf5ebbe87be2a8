"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { MOST_SUPPLIERS, type Supplier, supplierSchema, usualPurchase } from "@/core/document/purchaseSettings";
import { addSupplier, changeSupplier, removeSupplier, takeOffers } from "@/core/edits/purchase";
import { readOfferTable } from "@/core/formats/purchaseTables";
import type { PurchaseView } from "@/core/purchase/purchaseView";
import { counted, listed } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { FileButton } from "@/ui/pieces/FileButton";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { NumberField, TextField } from "@/ui/pieces/fields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { lineWords } from "./lineWords";

const freeName = (suppliers: Supplier[]) => {
  const taken = new Set(suppliers.map(({ name }) => name));
  for (let number = 1; ; number++) if (!taken.has(`Supplier ${number}`)) return `Supplier ${number}`;
};

/** Who sells what, typed in or read from a table. */
export function SuppliersSection({ view }: { view: PurchaseView }) {
  const { purchase } = useDesign();
  const { suppliers } = purchase ?? usualPurchase;
  const [said, setSaid] = useState("");
  const take = async (file: File) => {
    const { suppliers: read, problems } = readOfferTable(await file.text());
    let refused: string[] = [];
    edit("read in prices", (d) => {
      const taken = takeOffers(d, read, newId);
      refused = taken.refused;
      return taken.design;
    });
    const count = read.reduce((sum, { offers }) => sum + offers.length, 0);
    const more = refused.length > 0 ? [`no room for ${listed(refused)}: ${MOST_SUPPLIERS} suppliers at most`] : [];
    setSaid(lineWords(`${counted(count, "price")} of ${counted(read.length, "supplier")} read`, problems, more));
  };
  return (
    <Section title="Suppliers" aside={<span>{counted(suppliers.length, "supplier")}</span>}>
      {suppliers.map((supplier) => (
        <SupplierFields key={supplier.id} supplier={supplier} others={suppliers.filter((one) => one !== supplier)} />
      ))}
      {suppliers.length > 0 && (
        <Box color="var(--faint)">Prices: pick a line of the table below the mat, or read a table in.</Box>
      )}
      <Row>
        <StepButton
          disabled={suppliers.length >= MOST_SUPPLIERS}
          onClick={() => edit("add a supplier", (d) => addSupplier(d, newId(), freeName(suppliers)))}
        >
          Add a supplier
        </StepButton>
        <FileButton
          title="Prices from CSV"
          label="Table of prices"
          accept=".csv,text/csv"
          onFile={(file) => void take(file)}
        />
      </Row>
      <Box color="var(--faint)">
        Columns: supplier, part, price, and where they matter from, pack, least. Parts by their names in the list.
      </Box>
      {said && <Box role="status">{said}</Box>}
      {view.unknown.length > 0 && (
        <details>
          <summary>{counted(view.unknown.length, "name")} of prices or stock not in this list</summary>
          {view.unknown.join("; ")}
        </details>
      )}
    </Section>
  );
}

function SupplierFields({ supplier, others }: { supplier: Supplier; others: Supplier[] }) {
  const { id, name, shipping, minimum, offers } = supplier;
  const change = (title: string, part: Partial<Supplier>) => edit(title, (d) => changeSupplier(d, id, part));
  const check = (text: string) => {
    if (text.trim() === "" || text.length > 80) return "1 to 80 characters.";
    return others.some((one) => one.name === text.trim()) ? `There is a "${text.trim()}" already.` : null;
  };
  return (
    <Box role="group" aria-label={name} borderBottom="1px solid var(--edge)" paddingBottom="8px">
      <TextField
        label="Name"
        value={name}
        check={check}
        onCommit={(text) => change("supplier's name", { name: text.trim() })}
      />
      <Columns>
        <NumberField
          label="Shipping"
          unit=""
          schema={supplierSchema.shape.shipping}
          value={shipping}
          onCommit={(value) => change("shipping", { shipping: value })}
        />
        <NumberField
          label="Least order"
          unit=""
          schema={supplierSchema.shape.minimum}
          value={minimum}
          onCommit={(value) => change("least order", { minimum: value })}
        />
      </Columns>
      <Box display="flex" justifyContent="space-between" alignItems="center" paddingTop="6px">
        <span>{counted(offers.length, "price")}</span>
        <PlainButton onClick={() => edit(`remove ${name}`, (d) => removeSupplier(d, id))}>Remove</PlainButton>
      </Box>
    </Box>
  );
}
