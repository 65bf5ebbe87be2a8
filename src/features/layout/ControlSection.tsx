"use client";

import type { Control } from "@/core/catalogue/kinds";
import { kindOf } from "@/core/catalogue/kinds";
import type { Placement } from "@/core/catalogue/kinds/controlKind";
import { changeControl, placeControls } from "@/core/design/edits/controls";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField, NumberField, TextField, Tick } from "@/ui/pieces/fields";
import { PlainButton } from "@/ui/pieces/buttons";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { duplicateControl, removeControl } from "./actions";

/** Usual cap widths in units (common practice). */
const WIDTHS = [1, 1.25, 1.5, 1.75, 2, 2.25, 2.75, 6.25, 7];

/** The exact numbers of one control. */
export function ControlSection({ control }: { control: Control }) {
  const design = useDesign();
  const { id, label, placement } = control;
  const change = (what: string, fields: Partial<Control>) =>
    edit(`${what} of ${label}`, (d) => changeControl(d, id, fields));
  const move = (place: Partial<Placement>) => edit(`place ${label}`, (d) => placeControls(d, new Map([[id, place]])));
  return (
    <Section title={`${kindOf(control).title} ${label}`}>
      <TextField
        label="Label"
        value={label}
        check={(text) => (text.trim() === "" || text.length > 40 ? "A label has 1 to 40 characters." : null)}
        onCommit={(text) => change("label", { label: text.trim() })}
      />
      <Columns count={3}>
        <NumberField
          label="x"
          unit="mm"
          min={-2000}
          max={2000}
          decimals={3}
          value={placement.xMm}
          onCommit={(xMm) => move({ xMm })}
        />
        <NumberField
          label="y"
          unit="mm"
          min={-2000}
          max={2000}
          decimals={3}
          value={placement.yMm}
          onCommit={(yMm) => move({ yMm })}
        />
        <NumberField
          label="Turned"
          unit="°"
          min={-360}
          max={360}
          value={placement.rotationDeg}
          onCommit={(rotationDeg) => move({ rotationDeg })}
        />
      </Columns>
      {design.boards.length > 1 && (
        <ChoiceField
          label="Board"
          value={placement.boardId}
          choices={design.boards.map((board) => ({ value: board.id, label: board.name }))}
          onCommit={(boardId) => move({ boardId })}
        />
      )}
      <KindFields control={control} change={change} />
      <Row>
        <PlainButton onClick={() => duplicateControl([id])}>Duplicate</PlainButton>
        <PlainButton onClick={() => removeControl([id])}>Remove</PlainButton>
      </Row>
    </Section>
  );
}

type Change = (what: string, fields: Partial<Control>) => void;

function KindFields({ control, change }: { control: Control; change: Change }) {
  if (control.kind === "key")
    return (
      <>
        <Columns>
          <NumberField
            label="Cap width"
            unit="u"
            min={0.5}
            max={10}
            value={control.widthU}
            onCommit={(widthU) => change("width", { widthU })}
          />
          <NumberField
            label="Cap height"
            unit="u"
            min={0.5}
            max={4}
            value={control.heightU}
            onCommit={(heightU) => change("height", { heightU })}
          />
        </Columns>
        <WidthChips onWidth={(widthU) => change("width", { widthU })} current={control.widthU} />
      </>
    );
  if (control.kind === "encoder")
    return (
      <>
        <Columns>
          <NumberField
            label="Knob ⌀"
            unit="mm"
            min={5}
            max={80}
            value={control.knobDiameterMm}
            onCommit={(knobDiameterMm) => change("knob", { knobDiameterMm })}
          />
          <NumberField
            label="Steps a turn"
            unit=""
            whole
            min={1}
            max={200}
            value={control.stepsPerTurn}
            onCommit={(stepsPerTurn) => change("steps", { stepsPerTurn })}
          />
        </Columns>
        <ChoiceField
          label="Quadrature states a step"
          value={String(control.statesPerStep)}
          choices={["4", "2", "1"].map((value) => ({
            value,
            label: value === "4" ? "4 (rests with both open)" : value,
          }))}
          onCommit={(value) => change("states a step", { statesPerStep: Number(value) as 1 | 2 | 4 })}
        />
        <Tick label="Has a push switch" checked={control.push} onChange={(push) => change("push switch", { push })} />
      </>
    );
  return (
    <Columns>
      <NumberField
        label="Lamp ⌀"
        unit="mm"
        min={1}
        max={30}
        value={control.diameterMm}
        onCommit={(diameterMm) => change("diameter", { diameterMm })}
      />
      <NumberField
        label="Current"
        unit="mA"
        min={0.1}
        max={50}
        value={control.currentMa}
        onCommit={(currentMa) => change("current", { currentMa })}
      />
    </Columns>
  );
}

/** The usual widths, one click each. */
export function WidthChips({ onWidth, current }: { onWidth: (widthU: number) => void; current: number | null }) {
  return (
    <Row>
      {WIDTHS.map((width) => (
        <PlainButton
          key={width}
          height="26px"
          paddingInline="7px"
          fontFamily="mono"
          fontSize="13px"
          aria-label={`Width ${width} units`}
          aria-pressed={width === current}
          bg={width === current ? "var(--paper)" : "var(--sheet)"}
          onClick={() => onWidth(width)}
        >
          {width}
        </PlainButton>
      ))}
    </Row>
  );
}
