"use client";

import { Box } from "@chakra-ui/react";
import { purchaseSchema, usualPurchase } from "@/core/document/purchaseSettings";
import { setPurchase } from "@/core/edits/purchase";
import type { PurchaseView } from "@/core/purchase/purchaseView";
import { counted, listed } from "@/core/words";
import { usePurchase } from "@/store/assemblyAside";
import { edit, useDesign } from "@/store/bench";
import { useStepInHand } from "@/store/stepInHand";
import { NumberField } from "@/ui/pieces/fields";
import { Columns, Section, Values } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { BeforeOrderSection } from "./BeforeOrderSection";
import { CostChart } from "./CostChart";
import { DrawerSection } from "./DrawerSection";
import { PartSection } from "./PartSection";
import { SparesSection } from "./SparesSection";
import { SuppliersSection } from "./SuppliersSection";
import { money } from "./moneyWords";

/** What it is made of and what that costs. */
export function PartsTab() {
  const design = useDesign();
  const { view, trouble } = usePurchase(design);
  const partName = useStepInHand((state) => state.partName);
  if (!view) return <Section title="Parts">{trouble ?? "Adding up what it is made of …"}</Section>;
  if (view.lines.length === 0) return <Section title="Parts">No parts yet: place some in Layout first.</Section>;
  const line = view.lines.find(({ name }) => name === partName);
  return (
    <>
      {line && <PartSection line={line} />}
      <BeforeOrderSection view={view} />
      <CostSection view={view} />
      <SuppliersSection view={view} />
      <DrawerSection view={view} />
      <SparesSection />
    </>
  );
}

const proofWords = ({ proof, total, bound }: PurchaseView) =>
  proof === "optimal"
    ? "No other split over these suppliers is cheaper."
    : `The cheapest split found; none costs less than ${money(bound)}, this one ${money(total)}.`;

function CostSection({ view }: { view: PurchaseView }) {
  const { purchase } = useDesign();
  const { devices, boughtPrice } = purchase ?? usualPurchase;
  const isOffered = view.orders.length > 0;
  return (
    <Section title="What it costs">
      <Columns>
        <NumberField
          label="Devices"
          unit=""
          whole
          schema={purchaseSchema.shape.devices}
          value={devices}
          onCommit={(value) => edit("number of devices", (d) => setPurchase(d, { devices: value }))}
        />
        <NumberField
          label="A bought one costs"
          unit=""
          min={0}
          max={1_000_000}
          value={boughtPrice ?? 0}
          onCommit={(value) =>
            edit("price of a bought one", (d) => setPurchase(d, { boughtPrice: value > 0 ? value : null }))
          }
        />
      </Columns>
      {isOffered ? <Bought view={view} /> : <Usual view={view} />}
      {isOffered && (
        <>
          <SmallTable
            label="What so many devices cost"
            heads={["Devices", "all", "each"]}
            rows={view.costs.map(({ devices: count, total, each, isWhole }) => [
              String(count),
              `${money(total)}${isWhole ? "" : " +"}`,
              money(each),
            ])}
          />
          <CostChart costs={view.costs} boughtPrice={boughtPrice} />
        </>
      )}
      {isOffered && boughtPrice !== null && (
        <div>
          One of {devices} costs {money(view.total / devices)}, a bought one {money(boughtPrice)}:{" "}
          {view.total / devices < boughtPrice ? "less" : "more"} by{" "}
          {money(Math.abs(view.total / devices - boughtPrice))}.
        </div>
      )}
    </Section>
  );
}

function Usual({ view: { usual, lines } }: { view: PurchaseView }) {
  return (
    <div>
      At usual prices about <b>{money(usual.total)}</b>, without {counted(usual.unpriced, "line")} of {lines.length}{" "}
      that nobody has a price for. Add suppliers below for what it really costs.
    </div>
  );
}

function Bought({ view }: { view: PurchaseView }) {
  const lacking = view.unoffered.length;
  return (
    <>
      <Box fontSize="16px" fontWeight="700" role="status" aria-label="Cheapest split">
        {money(view.total)} from {listed(view.orders.map(({ supplier }) => supplier))}
        {lacking > 0 && `, without ${counted(lacking, "line")}`}
      </Box>
      <Box color="var(--faint)">{proofWords(view)}</Box>
      <SmallTable
        label="Orders"
        heads={["From", "goods", "shipping", "to the minimum"]}
        rows={view.orders.map(({ supplier, goods, shipping, lacking: short }) => [
          supplier,
          money(goods),
          money(shipping),
          short > 0 ? money(short) : "",
        ])}
      />
      <Values
        rows={[
          ...view.fromOne.map(({ supplier, total, missing }): [string, string] => [
            `All from ${supplier}`,
            total === null ? `${missing.length} missing` : money(total),
          ]),
          ["Bought and not needed", `${(100 * view.unusedShare).toFixed(0)} %`],
        ]}
      />
      {lacking > 0 && (
        <div>
          Nobody offers {listed(view.unoffered.slice(0, 4))}
          {lacking > 4 && ` and ${lacking - 4} more`}.
        </div>
      )}
    </>
  );
}
