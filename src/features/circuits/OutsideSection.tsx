"use client";

import { supplySchema } from "@/core/document/supplySettings";
import type { SupplyView } from "@/core/power/supplyView";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";
import { setSupply } from "./setSupply";
import { ma } from "./words";

/** The cure comes with its first use. */
async function addOutside() {
  const { withOutsideSupply } = await import("@/core/power/remedies");
  edit("outside supply with a jumper", (d) => withOutsideSupply(d) ?? d);
}

/** A second 5 V supply for what takes much, and the jumper that chooses. */
export function OutsideSection({ view }: { view: SupplyView }) {
  const design = useDesign();
  const { outside } = design.supply;
  if (!outside)
    return (
      <Section title="Outside 5 V for lights and lamps">
        <div>
          A terminal and a jumper with three posts: lights, lamps on registers and motors run either from the module or
          from a supply of their own; grounds are joined.
        </div>
        <Row>
          <PlainButton onClick={() => void addOutside()}>Add terminal and jumper</PlainButton>
        </Row>
      </Section>
    );
  return (
    <Section title="Outside 5 V for lights and lamps">
      <Columns>
        <ChoiceField
          label="The jumper stands on"
          value={outside.isChosen ? "outside" : "board"}
          choices={[
            { value: "outside", label: "outside supply" },
            { value: "board", label: "the module" },
          ]}
          onCommit={(value) =>
            edit("jumper", (d) => setSupply(d, { outside: { ...outside, isChosen: value === "outside" } }))
          }
        />
        <NumberField
          label="Gives at most"
          unit="mA"
          schema={fieldOf(supplySchema, "outside", "limitMa")}
          value={outside.limitMa}
          onCommit={(limitMa) =>
            edit("limit of the outside supply", (d) => setSupply(d, { outside: { ...outside, limitMa } }))
          }
        />
      </Columns>
      <Values rows={[["Taken from it at most", ma(view.outsideMa)]]} />
      <Row>
        <PlainButton onClick={() => edit("no outside supply", (d) => setSupply(d, { outside: null }))}>
          Take it away
        </PlainButton>
      </Row>
    </Section>
  );
}
