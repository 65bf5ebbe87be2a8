import type { Encoder } from "@/core/catalogue/kinds/encoder";
import { ChoiceField, NumberField, Tick } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import type { KindFieldsProps } from "./kindFields";

const STATES = [
  { value: "4", label: "4 (rests with both open)" },
  { value: "2", label: "2" },
  { value: "1", label: "1" },
];

export function EncoderFields({ control, change }: KindFieldsProps<Encoder>) {
  const { knobDiameterMm, stepsPerTurn, statesPerStep, push } = control;
  const setKnob = (mm: number) => change("knob", { knobDiameterMm: mm });
  const setSteps = (steps: number) => change("steps", { stepsPerTurn: steps });
  const setStates = (value: string) =>
    change("states a step", { statesPerStep: Number(value) as Encoder["statesPerStep"] });
  return (
    <>
      <Columns>
        <NumberField label="Knob ⌀" unit="mm" min={5} max={80} value={knobDiameterMm} onCommit={setKnob} />
        <NumberField label="Steps a turn" unit="" whole min={1} max={200} value={stepsPerTurn} onCommit={setSteps} />
      </Columns>
      <ChoiceField
        label="Quadrature states a step"
        value={String(statesPerStep)}
        choices={STATES}
        onCommit={setStates}
      />
      <Tick label="Has a push switch" checked={push} onChange={(has) => change("push switch", { push: has })} />
    </>
  );
}
