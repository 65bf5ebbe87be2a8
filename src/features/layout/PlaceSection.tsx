"use client";

import { useState } from "react";
import { type Control, controlKinds } from "@/core/catalogue/kinds";
import { addControl } from "@/core/design/edits/controls";
import { placeBlock } from "@/core/design/edits/placeBlock";
import { freeSpot } from "@/core/layout/freeSpot";
import { edit, select, useBench, useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { takeInHand, usePlacing } from "@/store/placing";
import { viewOf } from "@/ui/kinds";
import { PlainButton } from "@/ui/pieces/buttons";
import { NumberField } from "@/ui/pieces/fields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";

/** Takes a kind in hand for the mat; from the keyboard it is placed at once, at the next free spot. */
export function PlaceSection() {
  const design = useDesign();
  const inHand = usePlacing((state) => state.kind);
  const selection = useBench((state) => state.selection);
  const [block, setBlock] = useState({ columns: 3, rows: 3 });

  const placeNext = (kind: Control["kind"], article: string) => {
    const id = newId();
    const at = freeSpot(design, kind, selection.at(-1) ?? null);
    const boardId =
      design.controls.find((control) => control.id === selection.at(-1))?.placement.boardId ?? design.boards[0].id;
    edit(`place ${article}`, (d) => addControl(d, kind, id, { ...at, rotationDeg: 0, boardId }));
    select([id]);
  };
  const placeKeys = () => {
    const ids: string[] = [];
    const fresh = () => {
      ids.push(newId());
      return ids.at(-1)!;
    };
    const from = freeSpot(design, "key", selection.at(-1) ?? null);
    edit(`place ${block.columns} × ${block.rows} keys`, (d) => placeBlock(d, block.columns, block.rows, from, fresh));
    select(ids);
  };

  return (
    <Section title="Place">
      <Row>
        {controlKinds.map(({ kind, title, article }) => {
          const { Sign } = viewOf(kind);
          const taken = inHand === kind;
          return (
            <PlainButton
              key={kind}
              aria-pressed={taken}
              bg={taken ? "var(--saffron)" : "var(--sheet)"}
              color={taken ? "var(--saffron-ink)" : "var(--ink)"}
              onClick={(event) => (event.detail === 0 ? placeNext(kind, article) : takeInHand(taken ? null : kind))}
            >
              <Sign size={15} /> {title}
            </PlainButton>
          );
        })}
      </Row>
      <Columns count={3}>
        <NumberField
          label="Columns"
          unit=""
          whole
          min={1}
          max={20}
          value={block.columns}
          onCommit={(columns) => setBlock({ ...block, columns })}
        />
        <NumberField
          label="Rows"
          unit=""
          whole
          min={1}
          max={10}
          value={block.rows}
          onCommit={(rows) => setBlock({ ...block, rows })}
        />
        <PlainButton marginTop="21px" onClick={placeKeys}>
          Place block
        </PlainButton>
      </Columns>
    </Section>
  );
}
