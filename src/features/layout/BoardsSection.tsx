"use client";

import type { Board, Design } from "@/core/design/schema";
import { newBoard } from "@/core/design/newDesign";
import { derive } from "@/core/design/derive";
import { boardOutline } from "@/core/layout/boardOutline";
import { boundsOf } from "@/core/layout/outline";
import { edit, useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { PlainButton } from "@/ui/pieces/buttons";
import { NumberField, TextField } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";

const changeBoard = (design: Design, id: string, change: Partial<Board>): Design => ({
  ...design,
  boards: design.boards.map((board) => (board.id === id ? { ...board, ...change } : board)),
});

function sizeOf(design: Design, boardId: string): string {
  const outline = boardOutline(design, boardId);
  const box = outline && boundsOf([outline]);
  return box ? `${(box.maxXMm - box.minXMm).toFixed(1)} × ${(box.maxYMm - box.minYMm).toFixed(1)} mm` : "empty";
}

/** The boards and the pitch: shown while nothing is selected. */
export function BoardsSection() {
  const design = useDesign();
  const { elements } = derive(design);
  const addBoard = () => {
    const name = `Board ${design.boards.length + 1}`;
    edit("add a board", (d) => ({ ...d, boards: [...d.boards, newBoard(newId(), name, "module")] }));
  };
  const removeBoard = (id: string) =>
    edit("remove a board", (d) => ({
      ...d,
      boards: d.boards.filter((board) => board.id !== id),
      links: d.links.filter((link) => link.fromBoardId !== id && link.toBoardId !== id),
    }));
  const isEmpty = (id: string) =>
    !design.controls.some((c) => c.placement.boardId === id) &&
    !design.controllers.some((c) => c.placement.boardId === id);
  return (
    <>
      <Section title="Pitch of one unit">
        <Columns>
          <NumberField
            label="Across"
            unit="mm"
            min={5}
            max={60}
            value={design.pitch.xMm}
            onCommit={(xMm) => edit("pitch across", (d) => ({ ...d, pitch: { ...d.pitch, xMm } }))}
          />
          <NumberField
            label="Down"
            unit="mm"
            min={5}
            max={60}
            value={design.pitch.yMm}
            onCommit={(yMm) => edit("pitch down", (d) => ({ ...d, pitch: { ...d.pitch, yMm } }))}
          />
        </Columns>
      </Section>
      <Section title="Boards">
        {design.boards.map((board) => (
          <div key={board.id}>
            <Columns>
              <TextField
                label="Name"
                value={board.name}
                check={(text) => (text.trim() === "" ? "A board needs a name." : null)}
                onCommit={(name) => edit("rename a board", (d) => changeBoard(d, board.id, { name: name.trim() }))}
              />
              <NumberField
                label="Margin"
                unit="mm"
                min={0}
                max={50}
                value={board.marginMm}
                onCommit={(marginMm) => edit("margin of a board", (d) => changeBoard(d, board.id, { marginMm }))}
              />
            </Columns>
            <Values rows={[["Outline", sizeOf(design, board.id)]]} />
            {design.boards.length > 1 && isEmpty(board.id) && (
              <PlainButton onClick={() => removeBoard(board.id)}>Remove {board.name}</PlainButton>
            )}
          </div>
        ))}
        <Row>
          <PlainButton onClick={addBoard}>Add a board</PlainButton>
        </Row>
      </Section>
      <Section title="Counts">
        <Values
          rows={[
            ["Controls", design.controls.length],
            ["Switches", [...elements.values()].filter((element) => element.kind === "switch").length],
            ["Encoders", design.controls.filter((control) => control.kind === "encoder").length],
            ["Lamps", design.controls.filter((control) => control.kind === "lamp").length],
          ]}
        />
      </Section>
    </>
  );
}
