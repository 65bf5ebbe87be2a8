import type { Control } from "@/core/catalogue/kinds";
import type { Key } from "@/core/catalogue/kinds/key";
import { needsStabiliser } from "@/core/catalogue/kinds/stabiliser";
import { useDesign } from "@/store/bench";
import { ChoiceField, NumberField, TextField, Checkbox } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { WidthChips } from "../WidthChips";

interface KeyFieldsProps {
  control: Key;
  change: (what: string, fields: Partial<Control>) => void;
}

/** Tall Enter: 1.25 × 2 u with 0.25 u more at the left of its upper row (common practice). */
const TALL_ENTER: Partial<Key> = {
  widthU: 1.25,
  heightU: 2,
  second: { xU: -0.125, yU: -0.5, widthU: 1.5, heightU: 1 },
  stepU: null,
};
const FORMS = [
  { value: "plain", label: "Plain" },
  { value: "tall", label: "Tall Enter (L-shaped)" },
  { value: "stepped", label: "Stepped" },
];

const formOf = (key: Key) => (key.second ? "tall" : key.stepU !== null ? "stepped" : "plain");

function withForm(key: Key, form: string): Partial<Key> {
  if (form === "tall") return TALL_ENTER;
  if (form === "stepped") return { second: null, stepU: Math.max(0.5, key.widthU - 0.5) };
  return { second: null, stepU: null };
}

/** A key's cap: size, form, stabiliser, row profile and colour group. */
export function KeyFields({ control, change }: KeyFieldsProps) {
  const { colourGroups } = useDesign();
  const setWidth = (widthU: number) => change("width", { widthU });
  return (
    <>
      <Columns>
        <NumberField label="Cap width" unit="u" min={0.5} max={10} value={control.widthU} onCommit={setWidth} />
        <NumberField
          label="Cap height"
          unit="u"
          min={0.5}
          max={4}
          value={control.heightU}
          onCommit={(heightU) => change("height", { heightU })}
        />
      </Columns>
      <WidthChips onWidth={setWidth} current={control.widthU} />
      <Columns>
        <ChoiceField
          label="Form"
          value={formOf(control)}
          choices={FORMS}
          onCommit={(form) => change("form", withForm(control, form))}
        />
        <TextField
          label="Row profile"
          value={control.profile}
          check={(words) => (words.length > 12 ? "At most 12 characters." : null)}
          onCommit={(profile) => change("row profile", { profile: profile.trim() })}
        />
      </Columns>
      {(needsStabiliser(control) || control.stabiliser) && (
        <Checkbox
          label="Has a stabiliser"
          checked={control.stabiliser}
          onChange={(stabiliser) => change("stabiliser", { stabiliser })}
        />
      )}
      {colourGroups.length > 0 && (
        <ChoiceField
          label="Colour group"
          value={control.groupId ?? ""}
          choices={[{ value: "", label: "none" }, ...colourGroups.map(({ id, name }) => ({ value: id, label: name }))]}
          onCommit={(id) => change("colour group", { groupId: id === "" ? null : id })}
        />
      )}
    </>
  );
}
