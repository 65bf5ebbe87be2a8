"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { type NamedOffer, type Supplier, usualPurchase } from "@/core/document/purchaseSettings";
import { replacePart, setOffer, setStock } from "@/core/edits/purchase";
import type { PurchaseLine } from "@/core/purchase/purchase";
import { controlOf, otherParts } from "@/core/purchase/otherParts";
import { edit, useDesign } from "@/store/bench";
import { pickPartLine } from "@/store/stepInHand";
import { PlainButton } from "@/ui/pieces/buttons";
import { PageLink } from "@/ui/pieces/PageLink";
import { NumberField } from "@/ui/pieces/fields";
import { Columns, Section, Values } from "@/ui/pieces/sheets";
import { amountWords, money } from "./moneyWords";

/** One line of the list: how many and which, what is in the drawer, and what each supplier asks. */
export function PartSection({ line }: { line: PurchaseLine }) {
  const { purchase } = useDesign();
  const { stock, suppliers } = purchase ?? usualPurchase;
  const { name, of } = line;
  return (
    <Section title={name} aside={<PlainButton onClick={() => pickPartLine(null)}>Close</PlainButton>}>
      <Values
        rows={[
          ["Group", line.group],
          ["In one device", amountWords(line, line.count)],
          ["Needed with spares", amountWords(line, line.needed)],
          ["To buy", amountWords(line, line.open)],
          ...(line.priceEach === null ? [] : [["Usual price", money(line.priceEach)] as [string, string]]),
        ]}
      />
      {of.length > 0 && (
        <details>
          <summary>Which</summary>
          {of.join(", ")}
        </details>
      )}
      <NumberField
        label="In the drawer"
        unit={line.unit === "m" ? "m" : ""}
        min={0}
        max={1_000_000}
        value={Object.hasOwn(stock, name) ? stock[name] : 0}
        onCommit={(count) => edit("stock", (d) => setStock(d, name, count))}
      />
      {suppliers.map((supplier) => (
        <OfferFields key={supplier.id} supplier={supplier} part={name} />
      ))}
      {suppliers.length === 0 && <Box color="var(--faint)">Add a supplier below to say what it costs there.</Box>}
      <Substitutes line={line} />
    </Section>
  );
}

const NEW_OFFER = { pack: 1, least: 0 };

function OfferFields({ supplier, part }: { supplier: Supplier; part: string }) {
  const offer = supplier.offers.find((one) => one.part === part);
  const set = (change: Omit<NamedOffer, "part"> | null) =>
    edit(`price at ${supplier.name}`, (d) => setOffer(d, supplier.id, part, change));
  const each = offer?.steps[0].each ?? 0;
  const priced = (value: number) => {
    const first = { from: offer?.steps[0].from ?? 1, each: value };
    set({ ...(offer ?? NEW_OFFER), steps: [first, ...(offer?.steps.slice(1) ?? [])] });
  };
  return (
    <Box role="group" aria-label={`Price at ${supplier.name}`} borderTop="1px solid var(--edge)" paddingTop="6px">
      <Box fontWeight="600">{supplier.name}</Box>
      <Columns count={3}>
        <NumberField label="Each" unit="" min={0} max={1_000_000} decimals={4} value={each} onCommit={priced} />
        {offer && (
          <NumberField
            label="Packs of"
            unit=""
            min={0.01}
            max={100_000}
            value={offer.pack}
            onCommit={(pack) => set({ ...offer, pack })}
          />
        )}
        {offer && (
          <NumberField
            label="At least"
            unit=""
            min={0}
            max={1_000_000}
            value={offer.least}
            onCommit={(least) => set({ ...offer, least })}
          />
        )}
      </Columns>
      {offer && <Steps offer={offer} onSteps={(steps) => set({ ...offer, steps })} onGone={() => set(null)} />}
    </Box>
  );
}

/** Cheaper from some quantities on. */
interface StepsProps {
  offer: NamedOffer;
  onSteps: (steps: NamedOffer["steps"]) => void;
  onGone: () => void;
}

function Steps({ offer, onSteps, onGone }: StepsProps) {
  const { steps } = offer;
  const rising = (next: NamedOffer["steps"]) =>
    onSteps([...new Map(next.map((one) => [one.from, one])).values()].sort((a, b) => a.from - b.from));
  const change = (nth: number, part: Partial<NamedOffer["steps"][number]>) =>
    rising(steps.map((one, at) => (at === nth ? { ...one, ...part } : one)));
  return (
    <>
      {steps.slice(1).map((one, at) => (
        <Columns key={one.from} count={3}>
          <NumberField
            label="From"
            unit=""
            min={0}
            max={1_000_000}
            value={one.from}
            onCommit={(from) => change(at + 1, { from })}
          />
          <NumberField
            label="each"
            unit=""
            min={0}
            max={1_000_000}
            decimals={4}
            value={one.each}
            onCommit={(each) => change(at + 1, { each })}
          />
          <PlainButton alignSelf="end" onClick={() => onSteps(steps.filter((other) => other !== one))}>
            Remove
          </PlainButton>
        </Columns>
      ))}
      <Box display="flex" gap="8px" paddingTop="6px">
        {steps.length < 20 && (
          <PlainButton
            onClick={() => {
              const last = steps.at(-1)!;
              rising([...steps, { from: Math.max(10, 10 * last.from), each: last.each }]);
            }}
          >
            Cheaper from …
          </PlainButton>
        )}
        <PlainButton onClick={onGone}>Not sold there</PlainButton>
      </Box>
    </>
  );
}

/** What else could stand in its place, and what in the design would be different. */
function Substitutes({ line }: { line: PurchaseLine }) {
  const design = useDesign();
  const [isOpen, setOpen] = useState(false);
  const others = isOpen ? otherParts(design, line) : [];
  const control = line.group === "controls" ? controlOf(design, line) : null;
  if (!["controls", "controllers", "added parts", "small parts"].includes(line.group)) return null;
  return (
    <details open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>What else fits</summary>
      {isOpen && others.length === 0 && <div>Nothing else is known that has the same ends.</div>}
      {others.map(({ partId, title, dearer, differences }) => (
        <Box key={title} paddingBlock="6px" borderTop="1px solid var(--edge)">
          <Box fontWeight="600">{title}</Box>
          {dearer !== null && (
            <div>
              {dearer === 0
                ? "same usual price"
                : `${money(Math.abs(dearer))} ${dearer > 0 ? "dearer" : "cheaper"} each`}
              {differences.length === 0 && "; goes in as it is"}
            </div>
          )}
          <ul style={{ paddingLeft: 18, margin: 0 }}>
            {differences.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
          {partId !== null && control && (
            <PlainButton
              onClick={() => {
                edit(`${title} in place of ${line.name}`, (d) => replacePart(d, control.partId, partId));
                pickPartLine(title);
              }}
            >
              Take it for all {line.count}
            </PlainButton>
          )}
        </Box>
      ))}
      {isOpen && line.group === "controllers" && (
        <PageLink href={`/bench/${encodeURIComponent(design.id)}/pins`}>Change the class in Pins</PageLink>
      )}
    </details>
  );
}
