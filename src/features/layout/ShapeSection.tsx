"use client";

import { later } from "@/ui/pieces/later";
import { useState } from "react";
import { type Control, controlKinds } from "@/core/catalogue/kinds";
import { derive } from "@/core/derived/derive";
import { addGroup } from "@/core/edits/groups";
import { boundsOf } from "@/core/geometry/outline";
import { type ShapeParams, startShapes } from "@/core/shapes";
import { currentDesign, edit, useDesign } from "@/store/bench";
import { select } from "@/store/hand";
import { newId } from "@/store/newId";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { ShapeFields } from "./ShapeFields";

/** The list of languages is long. */
const NationalForm = later(() => import("./NationalForm").then((m) => m.NationalForm));
const ReadInDialog = later(() => import("./ReadInDialog").then((m) => m.ReadInDialog));

const BELOW_MM = 24;

/** Beneath what is there already; an empty mat begins at the origin. */
function startOf(): { xMm: number; yMm: number } {
  const design = currentDesign()!;
  const box = boundsOf(derive(design).caps);
  return box ? { xMm: Math.round(box.minXMm + 10), yMm: Math.round(box.maxYMm + BELOW_MM) } : { xMm: 0, yMm: 0 };
}

/** Begins a layout by a few numbers, or from a table or drawing. */
export function ShapeSection() {
  const design = useDesign();
  const [shape, setShape] = useState<ShapeParams>(startShapes[0].fresh);
  const [kind, setKind] = useState<Control["kind"]>("key");
  const [isReading, setReading] = useState(false);
  const { title } = startShapes.find((each) => each.shape === shape.shape)!;
  const placeIt = () => {
    const at = { ...startOf(), rotationDeg: 0, boardId: design.boards[0].id };
    let members: string[] = [];
    edit(`place ${title.toLowerCase()}`, (d) => {
      const placed = addGroup(d, { name: title, kind, at, shape }, newId);
      members = placed.design.groups.at(-1)!.members;
      return placed.design;
    });
    select(members);
  };
  return (
    <>
      <Section title="Start shape">
        <Columns>
          <ChoiceField
            label="Shape"
            value={shape.shape}
            choices={startShapes.map((each) => ({ value: each.shape, label: each.title }))}
            onCommit={(value) => setShape(startShapes.find((each) => each.shape === value)!.fresh)}
          />
          <ChoiceField
            label="Of"
            value={kind}
            choices={controlKinds.map((each) => ({ value: each.kind, label: each.title }))}
            onCommit={(value) => setKind(value as Control["kind"])}
          />
        </Columns>
        <ShapeFields shape={shape} onChange={setShape} />
        {shape.shape === "typing-block" && <NationalForm shape={shape} onShape={setShape} />}
        <Row>
          <PlainButton onClick={placeIt}>Place the shape</PlainButton>
        </Row>
      </Section>
      <Section title="From elsewhere">
        <Row>
          <PlainButton onClick={() => setReading(true)}>Read in a table or drawing</PlainButton>
        </Row>
      </Section>
      {isReading && <ReadInDialog onClose={() => setReading(false)} />}
    </>
  );
}
