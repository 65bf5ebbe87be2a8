"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Control } from "@/core/catalogue/kinds";
import {
  type ColourOrder,
  type Part,
  type Shape,
  colourOrders,
  partSchema,
  postSchema,
  shapeOutline,
  shapeSchema,
} from "@/core/catalogue/parts/part";
import { derive } from "@/core/derived/derive";
import { changeControl } from "@/core/edits/controls";
import { edit, useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { outlinePath } from "@/ui/drawing/outlinePath";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField, NumberField, TextField } from "@/ui/pieces/fields";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Row } from "@/ui/pieces/sheets";
import { fieldOf } from "@/core/schemaLimits";
import { Dialog } from "@/ui/pieces/Dialog";

type ShapeName = "body" | "opening" | "cap" | "front" | "behind";

const SHAPES: [name: ShapeName, title: string, colour: string][] = [
  ["body", "Body at the plate", "var(--cap-edge)"],
  ["opening", "Opening in the plate", "var(--stop)"],
  ["cap", "What is touched or seen", "var(--saffron)"],
  ["front", "Room before the plate", "var(--settled)"],
  ["behind", "Room behind the plate", "var(--faint)"],
];

const PLATE: NumberLine<"min" | "max">[] = [
  { key: "min", label: "From", unit: "mm" },
  { key: "max", label: "to", unit: "mm" },
];
const POST: NumberLine<"xMm" | "yMm" | "diameterMm">[] = [
  { key: "xMm", label: "x", unit: "mm" },
  { key: "yMm", label: "y", unit: "mm" },
  { key: "diameterMm", label: "⌀", unit: "mm" },
];
const NUMBERS: NumberLine<"aboveMm" | "belowMm" | "price">[] = [
  { key: "aboveMm", label: "Stands out", unit: "mm" },
  { key: "belowMm", label: "Reaches behind", unit: "mm" },
  { key: "price", label: "Price", unit: "each" },
];

const COLOURS = { r: "red", g: "green", b: "blue" } as const;
const orderWords = (order: ColourOrder) => [...order].map((sign) => COLOURS[sign as "r" | "g" | "b"]).join(", ");

function ShapeRow({
  title,
  shape,
  needed,
  set,
}: {
  title: string;
  shape: Shape | null;
  needed: boolean;
  set: (shape: Shape | null) => void;
}) {
  const isRound = shape !== null && shape.widthMm === shape.heightMm && shape.radiusMm >= shape.widthMm / 2;
  const sized = (widthMm: number, heightMm: number, round: boolean): Shape => ({
    ...(shape ?? { xMm: 0, yMm: 0, radiusMm: 0 }),
    widthMm,
    heightMm: round ? widthMm : heightMm,
    radiusMm: round ? widthMm / 2 : Math.min(shape?.radiusMm ?? 0, 1),
  });
  return (
    <Box borderTop="1px solid var(--edge)" paddingTop="6px">
      <Box display="flex" gap="12px">
        <Box fontWeight="600" flex="1">
          {title}
        </Box>
        {!needed && (
          <Checkbox label="has it" checked={shape !== null} onChange={(on) => set(on ? sized(10, 10, false) : null)} />
        )}
        {shape && (
          <Checkbox label="round" checked={isRound} onChange={(on) => set(sized(shape.widthMm, shape.heightMm, on))} />
        )}
      </Box>
      {shape && (
        <Columns count={isRound ? 1 : 2}>
          <NumberField
            label={isRound ? "Diameter" : "Wide"}
            unit="mm"
            schema={fieldOf(shapeSchema, "widthMm")}
            value={shape.widthMm}
            onCommit={(value) => set(sized(value, shape.heightMm, isRound))}
          />
          {!isRound && (
            <NumberField
              label="High"
              unit="mm"
              schema={fieldOf(shapeSchema, "heightMm")}
              value={shape.heightMm}
              onCommit={(value) => set(sized(shape.widthMm, value, false))}
            />
          )}
        </Columns>
      )}
    </Box>
  );
}

/** A part of one's own: the room it takes and what is cut for it. It begins as a copy of the one in use. */
export function PartDialog({ control, onClose }: { control: Control; onClose: () => void }) {
  const design = useDesign();
  const from = derive(design).partOf(control);
  const isOwn = design.parts.some(({ id }) => id === from.id);
  const [part, setPart] = useState<Part>(() =>
    isOwn ? from : { ...from, id: `own-${newId()}`.slice(0, 40), title: `${from.title}, my own`.slice(0, 80) },
  );
  const change = (fields: Partial<Part>) => setPart({ ...part, ...fields });
  const checked = partSchema.safeParse(part);
  const keep = () => {
    edit("keep a part", (d) =>
      changeControl({ ...d, parts: [...d.parts.filter(({ id }) => id !== part.id), part] }, control.id, {
        partId: part.id,
      }),
    );
    onClose();
  };
  const shapes = SHAPES.flatMap(([name, , colour]) => (part[name] ? [{ name, colour, shape: part[name] }] : []));
  const reach = Math.max(...shapes.map(({ shape }) => Math.max(shape.widthMm, shape.heightMm))) / 2 + 4;
  return (
    <Dialog
      open
      wide
      title="A part of my own"
      onClose={onClose}
      actions={
        <>
          <PlainButton onClick={onClose}>Leave it</PlainButton>
          <StepButton onClick={keep} disabled={!checked.success || (!isOwn && design.parts.length >= 200)}>
            Keep the part
          </StepButton>
        </>
      }
    >
      <Box display="grid" gridTemplateColumns="280px 1fr 260px" gap="16px" maxHeight="60vh" overflowY="auto">
        <svg
          viewBox={`${-reach} ${-reach} ${2 * reach} ${2 * reach}`}
          style={{ background: "var(--mat)" }}
          role="img"
          aria-label="The part from above"
        >
          {shapes.map(({ name, colour, shape }) => (
            <path
              key={name}
              d={outlinePath(shapeOutline(shape))}
              fill={name === "body" ? "var(--cap)" : "none"}
              stroke={colour}
              strokeWidth={reach / 60}
              strokeDasharray={name === "front" || name === "behind" ? `${reach / 20}` : undefined}
            />
          ))}
          {part.posts.map((post, nth) => (
            <circle
              key={nth}
              cx={post.xMm}
              cy={post.yMm}
              r={post.diameterMm / 2}
              fill="var(--mat)"
              stroke="var(--stop)"
              strokeWidth={reach / 80}
            />
          ))}
        </svg>
        <Box display="flex" flexDirection="column" gap="8px">
          <TextField
            label="Part"
            value={part.title}
            check={(text) => (text.trim() === "" || text.length > 80 ? "1 to 80 characters." : null)}
            onCommit={(title) => change({ title: title.trim() })}
          />
          {SHAPES.map(([name, title]) => (
            <ShapeRow
              key={name}
              title={title}
              shape={part[name]}
              needed={name === "body"}
              set={(shape) => change({ [name]: shape })}
            />
          ))}
        </Box>
        <Box display="flex" flexDirection="column" gap="8px">
          <Columns>
            <NumberFields
              schema={partSchema}
              lines={NUMBERS}
              values={part}
              onCommit={(key, value) => change({ [key]: value })}
            />
          </Columns>
          <Checkbox
            label="Clips to a certain thickness"
            checked={part.plateMm !== null}
            onChange={(on) => change({ plateMm: on ? { min: 1.4, max: 1.6 } : null })}
          />
          {part.plateMm && (
            <Columns>
              <NumberFields
                schema={fieldOf(partSchema, "plateMm")}
                lines={PLATE}
                values={part.plateMm}
                onCommit={(key, value) => change({ plateMm: { ...part.plateMm!, [key]: value } })}
              />
            </Columns>
          )}
          {control.kind === "light" && (
            <ChoiceField
              label="Takes its colours in the order"
              value={part.colourOrder ?? "grb"}
              choices={colourOrders.map((order) => ({ value: order, label: orderWords(order) }))}
              onCommit={(order) => change({ colourOrder: order as ColourOrder })}
            />
          )}
          <Box fontWeight="600">Post holes</Box>
          {part.posts.map((post, nth) => (
            <Columns key={nth} count={3}>
              <NumberFields
                schema={postSchema}
                lines={POST}
                values={post}
                onCommit={(key, value) =>
                  change({ posts: part.posts.map((p, at) => (at === nth ? { ...p, [key]: value } : p)) })
                }
              />
            </Columns>
          ))}
          <Row>
            <PlainButton
              disabled={part.posts.length >= 8}
              onClick={() => change({ posts: [...part.posts, { xMm: 0, yMm: 5, diameterMm: 2 }] })}
            >
              Add a hole
            </PlainButton>
            {part.posts.length > 0 && (
              <PlainButton onClick={() => change({ posts: part.posts.slice(0, -1) })}>Remove the last</PlainButton>
            )}
          </Row>
        </Box>
      </Box>
    </Dialog>
  );
}
