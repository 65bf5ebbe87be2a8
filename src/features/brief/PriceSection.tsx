import { useState } from "react";
import { addedParts, priceOf } from "@/core/catalogue/prices";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { edit, useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { NumberField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";

/** Prices of added parts and controllers: usual ones until the person knows better. */
export function PriceSection() {
  const { brief, profiles } = useDesign();
  const [isOpen, setOpen] = useState(false);
  const set = (id: string, price: number) =>
    edit("price", (d) => ({ ...d, brief: { ...d.brief, prices: { ...d.brief.prices, [id]: price } } }));
  const all = [...addedParts, ...controllerCatalogue, ...profiles];
  return (
    <Section
      title="Prices"
      aside={
        <PlainButton height="26px" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen ? "Fold" : "Show"}
        </PlainButton>
      }
    >
      {!isOpen && <div>Usual prices from memory, in your money; show them to put in your own.</div>}
      {isOpen &&
        all.map(({ id, title, price }) => (
          <NumberField
            key={id}
            label={title}
            unit="each"
            min={0}
            max={10_000}
            value={priceOf(id, brief.prices, price)}
            onCommit={(value) => set(id, value)}
          />
        ))}
    </Section>
  );
}
