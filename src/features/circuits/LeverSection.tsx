"use client";

import { controlKinds } from "@/core/catalogue/kinds";
import type { Pot } from "@/core/catalogue/kinds/pot";
import { changeControl } from "@/core/edits/controls";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { Checkbox } from "@/ui/pieces/fields";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Section } from "@/ui/pieces/sheets";

const schema = controlKinds.find(({ kind }) => kind === "pot")!.schema;

/** A lever or gear before the pots that are selected. */
export function LeverSection() {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const pots = design.controls.filter((control): control is Pot => control.kind === "pot" && control.motion === "turn");
  if (pots.length === 0) return null;
  const picked = pots.filter(({ id }) => selection.includes(id));
  if (picked.length === 0)
    return (
      <Section title="Levers and gears">
        <div>Select a pot to say which lever or gear is before it.</div>
      </Section>
    );
  return picked.map((pot) => <LeverFields key={pot.id} pot={pot} />);
}

const LINES: NumberLine<"degrees" | "ratio">[] = [
  { key: "degrees", label: "The hand moves", unit: "°" },
  { key: "ratio", label: "The wiper, for each °", unit: "°" },
];

function LeverFields({ pot }: { pot: Pot }) {
  const { lever } = pot;
  const set = (what: string, change: Pot["lever"]) => edit(what, (d) => changeControl(d, pot.id, { lever: change }));
  return (
    <Section title={`${pot.label}: lever or gear`}>
      <Checkbox
        label="The hand moves a lever or gear before it"
        checked={lever !== undefined}
        onChange={(on) => set("lever", on ? { degrees: 20, ratio: 1 } : undefined)}
      />
      {lever && (
        <Columns>
          <NumberFields
            schema={fieldOf(schema, "lever")}
            lines={LINES}
            values={lever}
            onCommit={(key, value) => set("lever", { ...lever, [key]: value })}
          />
        </Columns>
      )}
    </Section>
  );
}
