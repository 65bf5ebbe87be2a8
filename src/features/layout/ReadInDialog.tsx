"use client";

import { Box, Textarea } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { changeBoard } from "@/core/edits/boards";
import { placeRows } from "@/core/edits/importRows";
import { readDxf } from "@/core/formats/dxfIn";
import { type KeyRow, type TableUnit, readKeyTable } from "@/core/formats/keyTable";
import { layoutFromDrawing } from "@/core/formats/layoutFromDrawing";
import { readSvg } from "@/core/formats/svgIn";
import type { LineProblem } from "@/core/formats/table";
import type { Design } from "@/core/document/schema";
import type { Ring } from "@/core/geometry/ring";
import { counted } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { select } from "@/store/hand";
import { newId } from "@/store/newId";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField, Checkbox } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { Dialog } from "@/ui/pieces/Dialog";
import { ProblemList, TextFile, replaceByLongPaste } from "@/ui/files/readIn";

type Form = "table" | "svg" | "dxf";

interface ReadIn {
  rows: KeyRow[];
  outline: Ring | null;
  problems: LineProblem[];
}

const formOf = (text: string): Form =>
  /<svg[\s>]/i.test(text) ? "svg" : /^\s*(999|0)\s*\r?\n/.test(text) && /SECTION/.test(text) ? "dxf" : "table";

function readDrawing(text: string, form: "svg" | "dxf", unitMm: number | undefined, design: Design): ReadIn {
  const read = form === "svg" ? readSvg(text, unitMm) : readDxf(text);
  if (!read.ok)
    return { rows: [], outline: null, problems: read.problems.map(({ message }) => ({ line: 0, message })) };
  const { rows, outline, notes } = layoutFromDrawing(read.value, design.pitch);
  const problems = [...read.value.problems, ...notes.map((message) => ({ line: 0, message }))];
  if (rows.length === 0)
    problems.push({ line: 0, message: "No closed outline of a known size was found. Is the scale right?" });
  return { rows, outline, problems };
}

function readAny(text: string, unit: TableUnit, scale: string, design: Design): ReadIn {
  if (text.trim() === "") return { rows: [], outline: null, problems: [] };
  const form = formOf(text);
  if (form === "table") return { ...readKeyTable(text, unit, design.pitch), outline: null };
  return readDrawing(text, form, scale === "file" ? undefined : Number(scale), design);
}

const UNITS = [
  { value: "units", label: "key units, from the corner" },
  { value: "mm", label: "millimetres, of the centre" },
];
const SCALES = [
  { value: "file", label: "as the file says" },
  { value: "1", label: "1 unit is 1 mm" },
  { value: String(25.4 / 96), label: "1 unit is 1/96 inch" },
  { value: String(25.4 / 72), label: "1 unit is 1/72 inch" },
];

/** A key table, typed or pasted or from a file, or the closed outlines of a drawing. What is wrong is left out and told. */
export function ReadInDialog({ onClose }: { onClose: () => void }) {
  const design = useDesign();
  const [text, setText] = useState("");
  const [fileName, setFileName] = useState("");
  const [unit, setUnit] = useState<TableUnit>("units");
  const [scale, setScale] = useState("file");
  const [withOutline, setWithOutline] = useState(false);
  const read = useMemo(() => readAny(text, unit, scale, design), [text, unit, scale, design]);
  const form = formOf(text);
  const place = () => {
    const ids: string[] = [];
    const fresh = () => {
      ids.push(newId());
      return ids.at(-1)!;
    };
    const boardId = design.boards[0].id;
    const corners = withOutline && read.outline && read.outline.length <= 400 ? read.outline : null;
    edit(`read in ${counted(read.rows.length, "part")}`, (d) => {
      const placed = placeRows(d, read.rows, boardId, fresh);
      return corners ? changeBoard(placed, boardId, { outline: corners, cornerRadiusMm: 0 }) : placed;
    });
    select(ids);
    onClose();
  };
  return (
    <Dialog
      open
      title="Read in a table or drawing"
      onClose={onClose}
      actions={
        <>
          <PlainButton onClick={onClose}>Leave it</PlainButton>
          <StepButton disabled={read.rows.length === 0} onClick={place}>
            {read.rows.length === 0 ? "Nothing to place yet" : `Place ${counted(read.rows.length, "part")}`}
          </StepButton>
        </>
      }
    >
      <p>
        A table has one line a part: x, y, width, height, rotation, label. Paste it from a spreadsheet, or take a file:
        CSV, or an SVG or DXF drawing with closed outlines.
      </p>
      <Box marginBlock="8px">
        <Textarea
          aria-label="Table or drawing"
          rows={9}
          fontFamily="mono"
          fontSize="13px"
          placeholder={"x,y,width,height,rotation,label\n0,0,1,1,0,Q\n1,0,1.5,1,0,W"}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onPaste={(event) => replaceByLongPaste(event, setText)}
        />
      </Box>
      <Columns>
        {form === "table" ? (
          <ChoiceField
            label="Numbers are"
            value={unit}
            choices={UNITS}
            onCommit={(value) => setUnit(value as TableUnit)}
          />
        ) : (
          <ChoiceField label="Scale" value={scale} choices={SCALES} onCommit={setScale} />
        )}
        <Box paddingTop="21px" display="flex" gap="8px" alignItems="center">
          <TextFile
            accept=".csv,.tsv,.txt,.svg,.dxf"
            onText={(content, name) => {
              setText(content);
              setFileName(name);
            }}
          />
          <span>{fileName}</span>
        </Box>
      </Columns>
      {read.outline && (
        <Checkbox label="Take the largest outline as the board's" checked={withOutline} onChange={setWithOutline} />
      )}
      <ProblemList problems={read.problems} />
    </Dialog>
  );
}
