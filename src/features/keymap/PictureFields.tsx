"use client";

import { Box, chakra } from "@chakra-ui/react";
import { type PointerEvent, useId, useRef, useState } from "react";
import type { PageThing, PictureThing } from "@/core/document/displayPages";
import { pictureOf, pictureOfPoints, pictureRows } from "@/core/keymap/pictureDots";
import { dotPath } from "@/core/keymap/dotPath";
import { FileButton } from "@/ui/pieces/FileButton";
import { notify } from "@/ui/pieces/notices";
import { Row } from "@/ui/pieces/sheets";

const MOST_PX = { width: 128, height: 64 };

/** The dots of an image file, made as small as a display is. */
async function readImage(file: File): Promise<ReturnType<typeof pictureOf>> {
  const image = await createImageBitmap(file);
  const shrink = Math.min(1, MOST_PX.width / image.width, MOST_PX.height / image.height);
  const width = Math.max(1, Math.round(image.width * shrink));
  const height = Math.max(1, Math.round(image.height * shrink));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext("2d")!;
  context.drawImage(image, 0, 0, width, height);
  const { data } = context.getImageData(0, 0, width, height);
  // What is seen through is dark.
  const brightness = (x: number, y: number) => {
    const at = 4 * (y * width + x);
    return ((0.299 * data[at] + 0.587 * data[at + 1] + 0.114 * data[at + 2]) * data[at + 3]) / 255;
  };
  return pictureOfPoints(width, height, brightness);
}

/** One's own dots: painted, typed as rows, or taken from an image. */
export function PictureFields({ thing, set }: { thing: PictureThing; set: (thing: PageThing) => void }) {
  const id = useId();
  const rows = pictureRows(thing);
  const [draft, setDraft] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    const dots = pictureOf(draft.split("\n").map((line) => line.trimEnd()));
    setDraft(null);
    if (!dots) notify("A picture needs a row of dots at least: type # for a lit one.");
    else if (dots.columns > MOST_PX.width || 8 * dots.rows > MOST_PX.height)
      notify(`A picture has at most ${MOST_PX.width} × ${MOST_PX.height} dots.`);
    else set({ ...thing, ...dots });
  };
  return (
    <>
      <Painting key={thing.dots} rows={rows} onPaint={(next) => set({ ...thing, ...pictureOf(next)! })} />
      <Row>
        <FileButton
          title="Take an image"
          label="Image file"
          accept="image/png,image/jpeg,image/gif,image/bmp,image/webp"
          onFile={(file) =>
            void readImage(file).then(
              (dots) => dots && set({ ...thing, ...dots }),
              () => notify(`${file.name} is no image that this browser can read; the picture stays as it was.`),
            )
          }
        />
      </Row>
      <details>
        <summary>Dots as text</summary>
        <label htmlFor={id}>
          <Box fontSize="13px" color="var(--faint)">
            Lines of # for lit and . for dark; eight lines are a row.
          </Box>
        </label>
        <chakra.textarea
          id={id}
          fontFamily="mono"
          fontSize="11px"
          lineHeight="1.05"
          width="100%"
          rows={Math.min(18, rows.length + 1)}
          value={draft ?? rows.join("\n")}
          onChange={(event) => setDraft(event.target.value)}
          onBlur={commit}
          spellCheck={false}
          whiteSpace="pre"
        />
      </details>
    </>
  );
}

/** A picture on which a pointer paints: the first dot says whether it lights or darkens. */
function Painting({ rows, onPaint }: { rows: string[]; onPaint: (rows: string[]) => void }) {
  const [now, setNow] = useState(rows);
  const paints = useRef<string | null>(null);
  const [width, height] = [rows[0].length, rows.length];
  const place = (event: PointerEvent<SVGSVGElement>) => {
    const { left, top, width: wide, height: high } = event.currentTarget.getBoundingClientRect();
    const x = Math.floor(((event.clientX - left) / wide) * width);
    const y = Math.floor(((event.clientY - top) / high) * height);
    return x >= 0 && x < width && y >= 0 && y < height ? { x, y } : null;
  };
  const paint = (event: PointerEvent<SVGSVGElement>) => {
    const at = place(event);
    const sign = paints.current;
    if (!at || sign === null) return;
    setNow((all) => all.map((row, y) => (y === at.y ? row.slice(0, at.x) + sign + row.slice(at.x + 1) : row)));
  };
  return (
    <chakra.svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`The picture, ${width} × ${height} dots: paint on it`}
      width="100%"
      maxWidth={`${Math.min(400, width * 12)}px`}
      background="var(--cap-ink)"
      borderRadius="3px"
      cursor="crosshair"
      touchAction="none"
      onPointerDown={(event: PointerEvent<SVGSVGElement>) => {
        const at = place(event);
        if (!at) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        paints.current = now[at.y][at.x] === "#" ? "." : "#";
        paint(event);
      }}
      onPointerMove={paint}
      onPointerUp={() => {
        if (paints.current === null) return;
        paints.current = null;
        onPaint(now);
      }}
    >
      <path d={dotPath(width, height, (x, y) => now[y][x] === "#")} fill="var(--mat-ink)" />
    </chakra.svg>
  );
}
