"use client";

import type { Control } from "@/core/catalogue/kinds";
import { changeControl, placeControls } from "@/core/edits/controls";
import { tidyMm } from "@/core/geometry/tidyMm";
import { type AlignEdge, align, distribute } from "@/core/layout/arrange";
import type { Point } from "@/core/geometry/point";
import { edit } from "@/store/bench";
import { duplicateSelection, removeSelection } from "@/store/selectionEdits";
import { PlainButton } from "@/ui/pieces/buttons";
import { NumberField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { WidthChips } from "./WidthChips";

type Arrange = (points: Point[], axis: AlignEdge) => Point[];

/** What can be done with several controls at once. */
export function SeveralSection({ controls }: { controls: Control[] }) {
  const ids = controls.map((control) => control.id);
  const arrange = (title: string, move: Arrange, axis: AlignEdge) => {
    const moved = move(
      controls.map(({ placement }) => ({ xMm: placement.xMm, yMm: placement.yMm })),
      axis,
    );
    const places = new Map(moved.map(({ xMm, yMm }, i) => [ids[i], { xMm: tidyMm(xMm), yMm: tidyMm(yMm) }]));
    edit(title, (design) => placeControls(design, places));
  };
  const keys = controls.filter((control) => control.kind === "key");
  const widths = new Set(keys.map((control) => control.kind === "key" && control.widthU));
  const turns = new Set(controls.map((control) => control.placement.rotationDeg));
  return (
    <Section title={`${controls.length} selected`}>
      <Row>
        <PlainButton onClick={() => arrange("align in a column", align, "x")}>Same x</PlainButton>
        <PlainButton onClick={() => arrange("align in a row", align, "y")}>Same y</PlainButton>
        <PlainButton onClick={() => arrange("distribute across", distribute, "x")} disabled={controls.length < 3}>
          Even steps across
        </PlainButton>
        <PlainButton onClick={() => arrange("distribute down", distribute, "y")} disabled={controls.length < 3}>
          Even steps down
        </PlainButton>
      </Row>
      <NumberField
        label={turns.size === 1 ? "All turned" : "Turn all to"}
        unit="°"
        min={-360}
        max={360}
        value={controls[0].placement.rotationDeg}
        onCommit={(rotationDeg) =>
          edit("turn several", (design) => placeControls(design, new Map(ids.map((id) => [id, { rotationDeg }]))))
        }
      />
      {keys.length > 0 && (
        <>
          <div>Cap width of {keys.length} keys (u)</div>
          <WidthChips
            current={widths.size === 1 ? Number([...widths][0]) : null}
            onWidth={(widthU) =>
              edit("width of several", (design) => keys.reduce((d, { id }) => changeControl(d, id, { widthU }), design))
            }
          />
        </>
      )}
      <Row>
        <PlainButton onClick={duplicateSelection}>Duplicate</PlainButton>
        <PlainButton onClick={removeSelection}>Remove</PlainButton>
      </Row>
    </Section>
  );
}
