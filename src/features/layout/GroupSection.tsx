"use client";

import { placementSchema } from "@/core/catalogue/kinds/controlKind";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import type { Control } from "@/core/catalogue/kinds";
import { changeGroup, dissolveGroup } from "@/core/edits/groups";
import { edit, useDesign } from "@/store/bench";
import { select } from "@/store/hand";
import { newId } from "@/store/newId";
import { PlainButton } from "@/ui/pieces/buttons";

import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { ShapeFields } from "./ShapeFields";

const LINES: NumberLine<"xMm" | "yMm" | "rotationDeg">[] = [
  { key: "xMm", label: "Begins at x", unit: "mm" },
  { key: "yMm", label: "y", unit: "mm" },
  { key: "rotationDeg", label: "All turned", unit: "°" },
];

/** The start shape that the selection came from: its numbers can be changed again. */
export function GroupSection({ controls }: { controls: Control[] }) {
  const design = useDesign();
  const group = design.groups.find(({ members }) => controls.every(({ id }) => members.includes(id)));
  if (!group) return null;
  const { id, name, shape, at, members } = group;
  const change = (what: string, fields: Parameters<typeof changeGroup>[2]) =>
    edit(`${what} of ${name.toLowerCase()}`, (d) => changeGroup(d, id, fields, newId));
  return (
    <Section title={`Shape: ${name}`}>
      <ShapeFields shape={shape} onChange={(next) => change("numbers", { shape: next })} />
      <Columns count={3}>
        <NumberFields
          schema={placementSchema}
          lines={LINES}
          values={at}
          onCommit={(key, value) => change(key === "rotationDeg" ? "turn" : "place", { at: { [key]: value } })}
        />
      </Columns>
      <Row>
        <PlainButton onClick={() => select(members.filter((member) => member !== ""))}>Select all of it</PlainButton>
        <PlainButton onClick={() => edit("let a shape go", (d) => dissolveGroup(d, id))}>Let it go</PlainButton>
      </Row>
    </Section>
  );
}
