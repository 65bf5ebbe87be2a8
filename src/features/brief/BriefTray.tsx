"use client";

import { fieldOf } from "@/core/schemaLimits";
import { Box } from "@chakra-ui/react";
import { budgetLines, isBriefOpen } from "@/core/brief/budgetLines";
import { type Wish, briefSchema, wishSchema } from "@/core/document/wish";
import { wishTroubles } from "@/core/brief/wishFit";
import { briefFromLayout, changeWish } from "@/core/edits/wish";
import { edit, useDesign } from "@/store/bench";
import { placeOpen } from "@/store/briefEdits";
import { useFindings } from "@/store/findings";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField, NumberField, Checkbox } from "@/ui/pieces/fields";
import { later } from "@/ui/pieces/later";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { CountFields } from "./CountFields";
import { PriceSection } from "./PriceSection";

const CONNECTIONS = [
  { value: "usb-hid", label: "USB: keys, pads, controls" },
  { value: "usb-midi", label: "USB: music" },
  { value: "radio", label: "Radio" },
  { value: "pad-port", label: "Serial pad port" },
];
const FIRMWARE = [
  { value: "either", label: "Either" },
  { value: "compiled", label: "Compiled C" },
  { value: "interpreted", label: "On-board Python" },
];
const MAKING = [
  { value: "either", label: "Either" },
  { value: "hand-wired", label: "Hand-wired" },
  { value: "made-board", label: "Made board" },
];

/** Few lie on several boards. */
const ApartSection = later(() => import("./ApartSection").then((m) => m.ApartSection));

/** The wish: counts, choices, must-haves and prices. */
export function BriefTray() {
  const design = useDesign();
  const { wish } = design.brief;
  const change = (what: string, fields: Partial<Wish>) => edit(`wish: ${what}`, (d) => changeWish(d, fields));
  const troubles = wishTroubles(wish, design.pitch, design.making);
  return (
    <>
      <BudgetSection />
      <Section title="The wish">
        <CountFields wish={wish} change={change} />
        {troubles.map((words) => (
          <Box key={words} color="var(--warn)" fontSize="13px" role="status">
            {words}
          </Box>
        ))}
      </Section>
      <Section title="Choices and must-haves">
        <ChoiceField
          label="Connects by"
          value={wish.connection}
          choices={CONNECTIONS}
          onCommit={(value) => change("connection", { connection: value as Wish["connection"] })}
        />
        <Columns>
          <ChoiceField
            label="Firmware"
            value={wish.firmware}
            choices={FIRMWARE}
            onCommit={(value) => change("firmware", { firmware: value as Wish["firmware"] })}
          />
          <ChoiceField
            label="Made as"
            value={wish.making}
            choices={MAKING}
            onCommit={(value) => change("making", { making: value as Wish["making"] })}
          />
        </Columns>
        <Checkbox
          label="Many keys at once (a diode each)"
          checked={wish.chords}
          onChange={(chords) => change("many keys at once", { chords })}
        />
        <Checkbox
          label="Works before the computer's system runs"
          checked={wish.startUp ?? false}
          onChange={(startUp) => change("start-up screens", { startUp: startUp || undefined })}
        />
        <Checkbox
          label="Switches can be swapped"
          checked={wish.hotSwap}
          onChange={(hotSwap) => change("swappable switches", { hotSwap })}
        />
        <Checkbox
          label="Fits a 100 × 100 mm board"
          checked={wish.fits100}
          onChange={(fits100) => change("size", { fits100 })}
        />
        <Checkbox
          label="Printed in one piece"
          checked={wish.onePiecePrint}
          onChange={(onePiecePrint) => change("one piece", { onePiecePrint })}
        />
        <NumberField
          label="Fastest knob"
          unit="turns a second"
          schema={fieldOf(wishSchema, "turnsPerSecond")}
          value={wish.turnsPerSecond}
          onCommit={(turnsPerSecond) => change("fastest knob", { turnsPerSecond })}
        />
      </Section>
      <MatrixSection />
      {design.boards.length > 1 && <ApartSection />}
      <PriceSection />
    </>
  );
}

function BudgetSection() {
  const design = useDesign();
  const { budget } = useFindings(design);
  const lines = budgetLines(design);
  if (lines.length === 0)
    return (
      <Section title="Budget">
        <div>Write down what you wish for. The table then shows which controllers and wirings can do it.</div>
      </Section>
    );
  const open = isBriefOpen(design);
  const differs = lines.some(({ wished, placed }) => placed > wished);
  const Place = design.brief.chosen ? StepButton : PlainButton;
  return (
    <Section title="Budget">
      <Box role="status" fontWeight="600">
        {budget || "Being worked out"}
      </Box>
      <Row>
        {open && <Place onClick={() => void placeOpen()}>Place what is open</Place>}
        {(differs || open) && design.controls.length > 0 && (
          <PlainButton onClick={() => edit("brief as placed", briefFromLayout)}>
            Take the counts from the mat
          </PlainButton>
        )}
      </Row>
    </Section>
  );
}

/** A matrix shape of one's own is one more way in the table. */
function MatrixSection() {
  const { brief } = useDesign();
  const shape = brief.matrixShape;
  const set = (matrixShape: typeof shape) =>
    edit("given matrix", (d) => ({ ...d, brief: { ...d.brief, matrixShape } }));
  return (
    <Section title="Matrix of a given shape">
      <Checkbox
        label="Reckon with my own shape too"
        checked={shape !== null}
        onChange={(on) => set(on ? { rows: 4, columns: 12 } : null)}
      />
      {shape && (
        <Columns>
          <NumberField
            label="Rows"
            unit=""
            whole
            schema={fieldOf(briefSchema, "matrixShape", "rows")}
            value={shape.rows}
            onCommit={(rows) => set({ ...shape, rows })}
          />
          <NumberField
            label="Columns"
            unit=""
            whole
            schema={fieldOf(briefSchema, "matrixShape", "columns")}
            value={shape.columns}
            onCommit={(columns) => set({ ...shape, columns })}
          />
        </Columns>
      )}
    </Section>
  );
}
