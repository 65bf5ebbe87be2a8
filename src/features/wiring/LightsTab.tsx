"use client";

import type { LightChain } from "@/core/circuits/lightChain";
import { derive } from "@/core/derived/derive";
import { moveMember } from "@/core/edits/wiring";
import { bridgeLight, orderLights } from "@/core/edits/lights";
import { type LightOrder, type LightRow, chainMm, lightTable } from "@/core/wires/lightOrder";
import { edit, useDesign } from "@/store/bench";
import { pickControl } from "@/store/pick";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section, Values } from "@/ui/pieces/sheets";
import { SortableLine, SortableList } from "@/ui/pieces/SortableList";

const ORDERS: { id: LightOrder; title: string }[] = [
  { id: "row-by-row", title: "Row by row" },
  { id: "serpentine", title: "To and fro" },
  { id: "shortest", title: "Shortest" },
];

/** The order of each light chain, its indices, and dead lights bridged. */
export function LightsTab() {
  const design = useDesign();
  return design.circuits
    .filter((circuit): circuit is LightChain => circuit.kind === "light-chain")
    .map((chain) => <ChainSection key={chain.id} chain={chain} />);
}

function ChainSection({ chain }: { chain: LightChain }) {
  const design = useDesign();
  const rows = lightTable(design, chain);
  return (
    <Section title={chain.name}>
      <Row>
        {ORDERS.map(({ id, title }) => (
          <PlainButton
            key={id}
            onClick={() => edit(`lights: ${title.toLowerCase()}`, (d) => orderLights(d, chain.id, id))}
          >
            {title}
          </PlainButton>
        ))}
      </Row>
      <Values
        rows={[
          ["Data wire, straight", `${chainMm(design, chain).toFixed(0)} mm`],
          ["Lights with an index", `${chain.members.length - chain.bridged.length} of ${chain.members.length}`],
        ]}
      />
      <SortableList
        label={`Order of ${chain.name}`}
        ids={chain.members}
        onMove={(from, to) => edit("order of the lights", (d) => moveMember(d, chain.id, chain.members[from], to))}
      >
        {rows.map((row) => (
          <LightLine key={row.id} row={row} chain={chain} />
        ))}
      </SortableList>
    </Section>
  );
}

const shiftWords = ({ index, shift }: LightRow) => {
  if (index === null) return "bridged";
  return shift === 0 ? `index ${index}` : `index ${index}, was ${index - shift}`;
};

function LightLine({ row, chain }: { row: LightRow; chain: LightChain }) {
  const design = useDesign();
  const isBridged = row.index === null;
  return (
    <SortableLine id={row.id} gripLabel={`Drag ${row.label} to another place`} style={{ padding: "2px 0" }}>
      <button
        style={{ flex: 1, textAlign: "left" }}
        onClick={() => pickControl(derive(design).elements.get(row.id)?.controlId ?? "", false)}
      >
        {row.label}
      </button>
      <span style={{ color: "var(--faint)" }}>{shiftWords(row)}</span>
      <PlainButton
        height="26px"
        aria-label={isBridged ? `Take ${row.label} back` : `Bridge out ${row.label}`}
        onClick={() =>
          edit(isBridged ? "take a light back" : "bridge out a light", (d) =>
            bridgeLight(d, chain.id, row.id, !isBridged),
          )
        }
      >
        {isBridged ? "Take back" : "Bridge out"}
      </PlainButton>
    </SortableLine>
  );
}
