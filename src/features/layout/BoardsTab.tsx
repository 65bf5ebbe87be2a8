"use client";

import { boardSchema } from "@/core/document/schema";
import { fieldOf } from "@/core/schemaLimits";
import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Board, Design } from "@/core/document/schema";
import { addBoard, addLink, changeBoard, changeLink, removeBoard, removeLink } from "@/core/edits/boards";
import { drawOutline, gridModules, mirrorBoard, shiftBoard, turnBoard } from "@/core/edits/boardPlaces";
import { boardRings } from "@/core/layout/boardOutline";
import { boundsOf } from "@/core/geometry/outline";
import { plateMaterials } from "@/core/document/makingSettings";
import { conductorsAcross } from "@/core/wires/across";
import { edit, useDesign } from "@/store/bench";
import { pickOutline, useLayoutView } from "@/store/layoutView";
import { newId } from "@/store/newId";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField, NumberField, TextField, Checkbox } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";
import { OutlineCorners } from "./OutlineCorners";
import { PitchSection } from "./PitchSection";

const KINDS = [
  { value: "panel", label: "Panel" },
  { value: "half", label: "Half" },
  { value: "module", label: "Module" },
  { value: "loose", label: "Loose parts" },
];
const MATERIALS = plateMaterials.map((value) => ({ value, label: value === "board" ? "circuit board" : value }));

function sizeOf(design: Design, nth: number): string {
  const ring = boardRings(design)[nth];
  const box = ring && boundsOf(ring.map((p) => ({ core: [p], radiusMm: 0 })));
  return box ? `${(box.maxXMm - box.minXMm).toFixed(1)} × ${(box.maxYMm - box.minYMm).toFixed(1)} mm` : "empty";
}

const carries = (design: Design, id: string) =>
  design.controls.some((c) => c.placement.boardId === id) || design.controllers.some((c) => c.placement.boardId === id);

/** Halves, modules and panels: outline, plate, copies, links. */
export function BoardsTab() {
  const design = useDesign();
  const [open, setOpen] = useState(design.boards[0].id);
  const shown = design.boards.find(({ id }) => id === open) ?? design.boards[0];
  const add = () => {
    const id = newId();
    edit("add a board", (d) => addBoard(d, id, `Board ${d.boards.length + 1}`, "module"));
    setOpen(id);
  };
  return (
    <>
      <Section title="Boards">
        <Box role="group" aria-label="Board in hand" display="flex" flexDirection="column" gap="2px">
          {design.boards.map((board, nth) => (
            <button
              key={board.id}
              aria-pressed={board.id === shown.id}
              onClick={() => setOpen(board.id)}
              style={{
                textAlign: "left",
                padding: "4px 8px",
                borderLeft: `4px solid ${board.id === shown.id ? "var(--saffron)" : "var(--edge)"}`,
                background: board.id === shown.id ? "var(--paper)" : "transparent",
              }}
            >
              {board.name} <span style={{ color: "var(--faint)", float: "right" }}>{sizeOf(design, nth)}</span>
            </button>
          ))}
        </Box>
        <Row>
          <PlainButton onClick={add}>Add a board</PlainButton>
          {!carries(design, shown.id) && design.boards.length > 1 && (
            <PlainButton onClick={() => edit("remove a board", (d) => removeBoard(d, shown.id))}>
              Remove {shown.name}
            </PlainButton>
          )}
        </Row>
      </Section>
      <BoardSection key={shown.id} board={shown} />
      <MoveSection board={shown} />
      <LinksSection />
      <PitchSection />
    </>
  );
}

const FOLLOWS = [
  { value: "rectangle", label: "as a rectangle" },
  { value: "close", label: "closely" },
  { value: "hull", label: "as a hull" },
];

function BoardSection({ board }: { board: Board }) {
  const design = useDesign();
  const outlineOf = useLayoutView((state) => state.outlineOf);
  const change = (what: string, fields: Partial<Board>) =>
    edit(`${what} of ${board.name}`, (d) => changeBoard(d, board.id, fields));
  const nth = design.boards.findIndex(({ id }) => id === board.id);
  return (
    <Section title={board.name}>
      <Columns>
        <TextField
          label="Name"
          value={board.name}
          check={(text) => (text.trim() === "" || text.length > 80 ? "A board's name has 1 to 80 characters." : null)}
          onCommit={(name) => change("name", { name: name.trim() })}
        />
        <ChoiceField
          label="Kind"
          value={board.kind}
          choices={KINDS}
          onCommit={(kind) => change("kind", { kind: kind as Board["kind"] })}
        />
        {board.outline === null && (
          <ChoiceField
            label="Edge follows"
            value={board.follows}
            choices={FOLLOWS}
            onCommit={(follows) => change("edge", { follows: follows as Board["follows"] })}
          />
        )}
        {board.outline === null && (
          <NumberField
            label="Margin"
            unit="mm"
            schema={fieldOf(boardSchema, "marginMm")}
            value={board.marginMm}
            onCommit={(marginMm) => change("margin", { marginMm })}
          />
        )}
        <NumberField
          label="Corner radius"
          unit="mm"
          schema={fieldOf(boardSchema, "cornerRadiusMm")}
          value={board.cornerRadiusMm}
          onCommit={(cornerRadiusMm) => change("corner radius", { cornerRadiusMm })}
        />
        <ChoiceField
          label="Plate of"
          value={board.plate.material}
          choices={MATERIALS}
          onCommit={(material) =>
            change("plate", { plate: { ...board.plate, material: material as Board["plate"]["material"] } })
          }
        />
        <NumberField
          label="Thick"
          unit="mm"
          schema={fieldOf(boardSchema, "plate", "thicknessMm")}
          value={board.plate.thicknessMm}
          onCommit={(thicknessMm) => change("thickness", { plate: { ...board.plate, thicknessMm } })}
        />
      </Columns>
      <Checkbox
        label="The case carries the plate along its edge"
        checked={board.edgeCarried}
        onChange={(edgeCarried) => change("carried edge", { edgeCarried })}
      />
      <Values rows={[["Outline", sizeOf(design, nth)]]} />
      <Row>
        {board.outline === null ? (
          <PlainButton
            disabled={!carries(design, board.id)}
            onClick={() => {
              edit(`draw the outline of ${board.name}`, (d) => drawOutline(d, board.id));
              pickOutline(board.id);
            }}
          >
            Draw the outline myself
          </PlainButton>
        ) : (
          <>
            <PlainButton
              aria-pressed={outlineOf === board.id}
              onClick={() => pickOutline(outlineOf === board.id ? null : board.id)}
            >
              {outlineOf === board.id ? "Let the corners go" : "Move the corners"}
            </PlainButton>
            <PlainButton onClick={() => change("outline", { outline: null })}>Follow the controls</PlainButton>
          </>
        )}
      </Row>
      {board.outline !== null && outlineOf === board.id && <OutlineCorners board={board} />}
    </Section>
  );
}

function MoveSection({ board }: { board: Board }) {
  const [gap, setGap] = useState(30);
  const [by, setBy] = useState({ xMm: 10, yMm: 0, deg: 5 });
  const [grid, setGrid] = useState(50);
  const name = board.name;
  return (
    <Section title="Move and copy">
      <Columns count={3}>
        <NumberField
          label="Across"
          unit="mm"
          min={-500}
          max={500}
          value={by.xMm}
          onCommit={(xMm) => setBy({ ...by, xMm })}
        />
        <NumberField
          label="Down"
          unit="mm"
          min={-500}
          max={500}
          value={by.yMm}
          onCommit={(yMm) => setBy({ ...by, yMm })}
        />
        <NumberField
          label="Turn"
          unit="°"
          min={-180}
          max={180}
          value={by.deg}
          onCommit={(deg) => setBy({ ...by, deg })}
        />
      </Columns>
      <Row>
        <PlainButton onClick={() => edit(`move ${name}`, (d) => shiftBoard(d, board.id, by.xMm, by.yMm))}>
          Move it
        </PlainButton>
        <PlainButton onClick={() => edit(`turn ${name}`, (d) => turnBoard(d, board.id, by.deg))}>Turn it</PlainButton>
      </Row>
      <Columns>
        <NumberField label="Gap to the copy" unit="mm" min={0} max={500} value={gap} onCommit={setGap} />
        <PlainButton
          marginTop="21px"
          onClick={() => edit(`mirror ${name}`, (d) => mirrorBoard(d, board.id, gap, newId))}
        >
          Mirrored copy
        </PlainButton>
        <NumberField label="Module grid" unit="mm" min={5} max={300} value={grid} onCommit={setGrid} />
        <PlainButton marginTop="21px" onClick={() => edit("modules on a grid", (d) => gridModules(d, grid))}>
          Modules on it
        </PlainButton>
      </Columns>
    </Section>
  );
}

const LINK_KINDS = [
  { value: "cable", label: "Cable" },
  { value: "ribbon", label: "Ribbon" },
  { value: "magnetic", label: "Magnetic connector" },
];

function LinksSection() {
  const design = useDesign();
  if (design.boards.length < 2) return null;
  const boards = design.boards.map(({ id, name }) => ({ value: id, label: name }));
  return (
    <Section title="Links between boards">
      {design.links.map((link) => {
        const change = (what: string, fields: Partial<typeof link>) =>
          edit(`${what} of ${link.name}`, (d) => changeLink(d, link.id, fields));
        const across = conductorsAcross(design, link.fromBoardId, link.toBoardId);
        return (
          <div key={link.id}>
            <Columns>
              <ChoiceField
                label="From"
                value={link.fromBoardId}
                choices={boards}
                onCommit={(fromBoardId) => change("from", { fromBoardId })}
              />
              <ChoiceField
                label="To"
                value={link.toBoardId}
                choices={boards}
                onCommit={(toBoardId) => change("to", { toBoardId })}
              />
              <ChoiceField
                label="As"
                value={link.kind}
                choices={LINK_KINDS}
                onCommit={(kind) => change("kind", { kind: kind as typeof link.kind })}
              />
            </Columns>
            <TextField
              label="Conductors, by name"
              value={link.conductors.join(" ")}
              check={(text) => (text.split(/\s+/).length > 100 ? "At most 100 conductors." : null)}
              onCommit={(text) => change("conductors", { conductors: text.split(/\s+/).filter(Boolean) })}
              help={`${link.conductors.length} conductors. ${across.length} nets cross between these boards.`}
            />
            <Row>
              {across.length > 0 && (
                <PlainButton
                  onClick={() => change("conductors", { conductors: across.map((flag) => flag.replace(/\s+/g, "-")) })}
                >
                  Take the {across.length} nets
                </PlainButton>
              )}
              <PlainButton onClick={() => edit(`remove ${link.name}`, (d) => removeLink(d, link.id))}>
                Remove
              </PlainButton>
            </Row>
          </div>
        );
      })}
      <Row>
        <PlainButton
          onClick={() => edit("add a link", (d) => addLink(d, newId(), d.boards[0].id, d.boards[1].id))}
          disabled={design.links.length >= 60}
        >
          Add a link
        </PlainButton>
      </Row>
    </Section>
  );
}
