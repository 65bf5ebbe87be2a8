"use client";

import { controlKinds } from "@/core/catalogue/kinds";
import type { Pot } from "@/core/catalogue/kinds/pot";
import { changeControl } from "@/core/edits/controls";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { Checkbox, NumberField } from "@/ui/pieces/fields";
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
          <NumberField
            label="The hand moves"
            unit="°"
            schema={fieldOf(schema, "lever", "degrees")}
            value={lever.degrees}
            onCommit={(degrees) => set("travel of the lever", { ...lever, degrees })}
          />
          <NumberField
            label="The wiper, for each °"
            unit="°"
            schema={fieldOf(schema, "lever", "ratio")}
            value={lever.ratio}
            onCommit={(ratio) => set("ratio of the lever", { ...lever, ratio })}
          />
        </Columns>
      )}
    </Section>
  );
}
