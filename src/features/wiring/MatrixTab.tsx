"use client";

import { useEffect, useState } from "react";
import type { MatrixCircuit } from "@/core/circuits/matrix";
import { adoptMatrixCells } from "@/core/edits/wiring";
import { lockCells } from "@/core/edits/matrixDiodes";
import {
  type MatrixAnswer,
  type MatrixWish,
  lineAlternatives,
  matrixParts,
  matrixSwitches,
  measuresOfCircuit,
  planPartInOrder,
  usualMatrixWish,
} from "@/core/matrix/planMatrix";
import type { MatrixMeasures } from "@/core/matrix/matrixMeasures";
import { counted } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { NO_ROOM, forgetSearch, startMatrixSearch, stopSearch, useMatrixSearch } from "@/store/matrixSearch";
import { notify } from "@/ui/pieces/notices";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField, TextField, Checkbox } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";

/** Rows and columns: how many, by which school, and what that comes to. */
export function MatrixTab() {
  const design = useDesign();
  const [wish, setWish] = useState<MatrixWish>(usualMatrixWish);
  const matrices = design.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
  const change = (part: Partial<MatrixWish>) => {
    forgetSearch();
    setWish({ ...wish, ...part });
  };
  useEffect(() => forgetSearch, []);
  return (
    <>
      <Section title="Plan rows and columns">
        <ChoiceField
          label="School"
          value={wish.school}
          choices={[
            { value: "reading", label: "reading order: regular, easy to program" },
            { value: "wiring", label: "shortest wiring: easy to solder" },
          ]}
          onCommit={(school) => change({ school: school as MatrixWish["school"] })}
        />
        <LineFields wish={wish} onChange={change} />
        {design.boards.length > 1 && (
          <Checkbox
            label="A matrix for each board, so that no row crosses the gap"
            checked={wish.perBoard}
            onChange={(perBoard) => change({ perBoard })}
          />
        )}
        {wish.school === "reading" ? <InOrder wish={wish} /> : <ByWire wish={wish} />}
      </Section>
      {matrices.map((matrix) => (
        <AsItStands key={matrix.id} matrix={matrix} />
      ))}
      <Alternatives onChoose={(rows, columns) => change({ rows, columns })} />
    </>
  );
}

/** An empty field leaves the number to the layout or to the fewest pins. */
function lineCount(text: string): number | null {
  return text.trim() === "" ? null : Number(text);
}

const checkCount = (text: string) => {
  const count = lineCount(text);
  return count === null || (Number.isInteger(count) && count >= 1 && count <= 32) ? null : "1 to 32, or nothing.";
};

function LineFields({ wish, onChange }: { wish: MatrixWish; onChange: (part: Partial<MatrixWish>) => void }) {
  const given = wish.rows !== null || wish.columns !== null;
  return (
    <>
      {!given && (
        <ChoiceField
          label="Lines"
          value={wish.lines}
          choices={[
            { value: "as-laid-out", label: "rows as they lie" },
            { value: "fewest-pins", label: "fewest pins" },
          ]}
          onCommit={(lines) => onChange({ lines: lines as MatrixWish["lines"] })}
        />
      )}
      <Columns>
        {(["rows", "columns"] as const).map((axis) => (
          <TextField
            key={axis}
            label={axis === "rows" ? "Rows, if given" : "Columns, if given"}
            mono
            value={wish[axis] === null ? "" : String(wish[axis])}
            check={checkCount}
            onCommit={(text) => onChange({ [axis]: lineCount(text) })}
          />
        ))}
      </Columns>
    </>
  );
}

function InOrder({ wish }: { wish: MatrixWish }) {
  const design = useDesign();
  const take = () => {
    const parts = matrixParts(design, wish);
    const answers = parts.flatMap((part) => planPartInOrder(part) ?? []);
    if (answers.length === 0 || answers.length < parts.length) return notify(NO_ROOM);
    edit("share out rows and columns", (d) => adoptMatrixCells(d, answers));
  };
  return (
    <Row>
      <StepButton onClick={take}>Share out in reading order</StepButton>
    </Row>
  );
}

function ByWire({ wish }: { wish: MatrixWish }) {
  const { isRunning, answers, problem } = useMatrixSearch();
  const take = () => {
    stopSearch();
    edit("share out by wire", (d) => adoptMatrixCells(d, answers));
    forgetSearch();
  };
  return (
    <>
      <Row>
        {isRunning ? (
          <PlainButton onClick={stopSearch}>Stop</PlainButton>
        ) : (
          <StepButton onClick={() => void startMatrixSearch(wish)}>
            {answers.length > 0 ? "Search anew" : "Search short wiring"}
          </StepButton>
        )}
        {answers.length > 0 && <PlainButton onClick={take}>Take this plan</PlainButton>}
      </Row>
      {problem && <div role="alert">{problem}</div>}
      <div role="status" aria-label="Best plan so far">
        {answers.map((answer) => (
          <AnswerValues key={answer.circuitId} answer={answer} isRunning={isRunning} />
        ))}
      </div>
    </>
  );
}

const mm = (value: number) => `${value.toFixed(0)} mm`;

function AnswerValues({ answer, isRunning }: { answer: MatrixAnswer; isRunning: boolean }) {
  const { measures, lowerBoundMm, name, rows, columns } = answer;
  return (
    <>
      <div>
        {name}: {rows} × {columns}
        {isRunning ? ", still searching" : ", search ended"}
      </div>
      <Values
        rows={[
          ...measureRows(measures),
          ["No plan is below", mm(lowerBoundMm)],
          ["Above that bound", `${(100 * (measures.wireMm / Math.max(1, lowerBoundMm) - 1)).toFixed(1)} %`],
        ]}
      />
    </>
  );
}

const measureRows = (measures: MatrixMeasures): [string, string | number][] => [
  ["Rows and columns, wire", mm(measures.wireMm)],
  ["Longest row", mm(measures.longestRowMm)],
  ["Longest column", mm(measures.longestColumnMm)],
  ["Rows across columns", measures.rowsOverColumns],
  ["Crossings of like lines", measures.alike],
];

function AsItStands({ matrix }: { matrix: MatrixCircuit }) {
  const design = useDesign();
  const measures = measuresOfCircuit(design, matrix);
  const ids = Object.keys(matrix.cells);
  if (!measures) return null;
  const allLocked = ids.every((id) => matrix.locked.includes(id));
  return (
    <Section title={`${matrix.name} as it stands`}>
      <Values rows={[...measureRows(measures), ["Cells kept", `${matrix.locked.length} of ${ids.length}`]]} />
      <Row>
        <PlainButton
          onClick={() => edit(allLocked ? "let cells go" : "keep all cells", (d) => lockCells(d, ids, !allLocked))}
        >
          {allLocked ? "Let all cells go" : "Keep all cells"}
        </PlainButton>
      </Row>
      <RowLocks matrix={matrix} />
    </Section>
  );
}

/** A whole row at once: soldered rows stay while the rest is planned. */
function RowLocks({ matrix }: { matrix: MatrixCircuit }) {
  const rows = [...new Set(Object.values(matrix.cells).map(({ row }) => row))].sort((a, b) => a - b);
  return (
    <details>
      <summary>Keep row by row</summary>
      <Row>
        {rows.map((row) => {
          const ids = Object.keys(matrix.cells).filter((id) => matrix.cells[id].row === row);
          return (
            <Checkbox
              key={row}
              label={`R${row + 1}`}
              checked={ids.every((id) => matrix.locked.includes(id))}
              onChange={(locked) => edit(`keep row ${row + 1}`, (d) => lockCells(d, ids, locked))}
            />
          );
        })}
      </Row>
    </details>
  );
}

const SHOWN = 6;

function Alternatives({ onChoose }: { onChoose: (rows: number, columns: number) => void }) {
  const count = matrixSwitches(useDesign()).length;
  if (count === 0) return null;
  return (
    <Section title={`Lines for ${count} switches`}>
      {lineAlternatives(count)
        .slice(0, SHOWN)
        .map(({ rows, columns, pins }) => (
          <div key={rows} style={{ display: "flex", justifyContent: "space-between", alignItems: "center" }}>
            <span>
              {rows} × {columns}: {counted(pins, "pin")}
            </span>
            <PlainButton
              height="26px"
              aria-label={`Use ${rows} rows and ${columns} columns`}
              onClick={() => onChoose(rows, columns)}
            >
              Use
            </PlainButton>
          </div>
        ))}
    </Section>
  );
}
