"use client";

import { placementSchema } from "@/core/catalogue/kinds/controlKind";
import { PLACE_LINES, NumberFields } from "@/ui/pieces/NumberFields";
import { later } from "@/ui/pieces/later";
import { useState } from "react";
import type { Control } from "@/core/catalogue/kinds";
import { kindOf } from "@/core/catalogue/kinds";
import type { Placement } from "@/core/catalogue/kinds/controlKind";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { changeControl, placeControls } from "@/core/edits/controls";
import { edit, useDesign } from "@/store/bench";
import { duplicateSelection, removeSelection } from "@/store/selectionEdits";
import { ChoiceField, TextField, Checkbox } from "@/ui/pieces/fields";
import { PlainButton } from "@/ui/pieces/buttons";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { KeyFields } from "./fields/KeyFields";
import { SpecFields } from "./fields/SpecFields";

const PartDialog = later(() => import("./PartDialog").then((m) => m.PartDialog));

const partChoices = (design: Design, control: Control) =>
  [...derive(design).parts.values()]
    .filter((part) => part.kind === control.kind)
    .map(({ id, title }) => ({ value: id, label: title }));

/** The exact numbers of one control. */
export function ControlSection({ control }: { control: Control }) {
  const design = useDesign();
  const { id, label, placement } = control;
  const [isDescribing, setDescribing] = useState(false);
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
        <NumberFields
          schema={placementSchema}
          lines={PLACE_LINES}
          values={placement}
          onCommit={(key, value) => move({ [key]: value })}
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
      <ChoiceField
        label="Part"
        value={derive(design).partOf(control).id}
        choices={partChoices(design, control)}
        onCommit={(partId) => change("part", { partId })}
      />
      <Row>
        <PlainButton height="26px" onClick={() => setDescribing(true)}>
          {design.parts.some(({ id: own }) => own === control.partId)
            ? "Change this part"
            : "Describe a part of my own"}
        </PlainButton>
      </Row>
      {isDescribing && <PartDialog control={control} onClose={() => setDescribing(false)} />}
      {control.kind === "key" && <KeyFields control={control} change={change} />}
      <SpecFields control={control} change={change} />
      <Checkbox
        label="Mounted from the solder side (contacts mirrored)"
        checked={placement.mirrored === true}
        onChange={(on) => move({ mirrored: on ? true : undefined })}
      />
      <Row>
        <PlainButton onClick={duplicateSelection}>Duplicate</PlainButton>
        <PlainButton onClick={removeSelection}>Remove</PlainButton>
      </Row>
    </Section>
  );
}
