"use client";

import { chakra } from "@chakra-ui/react";
import { type PointerEvent, useMemo, useRef, useState } from "react";
import type { Display } from "@/core/catalogue/kinds/display";
import { type DisplayPage, type PageThing, rowsOf } from "@/core/document/displayPages";
import type { Layer } from "@/core/document/schema";
import { topOf } from "@/core/firmware/shownStates";
import { pageDots } from "@/core/firmware/pageDots";
import { pageThingWords } from "@/core/keymap/pageWords";
import { useDesign } from "@/store/bench";
import { dotPath } from "@/core/keymap/dotPath";

interface PageViewProps {
  control: Display;
  layer: Layer;
  page: DisplayPage;
  inHand: number;
  onPick?: (nth: number) => void;
  onPlace?: (page: DisplayPage) => void;
}

interface Carried {
  nth: number;
  fromX: number;
  fromY: number;
  column: number;
  row: number;
}

const contains = (thing: PageThing, x: number, y: number) =>
  x >= thing.column && x < thing.column + thing.columns && y >= 8 * thing.row && y < 8 * (thing.row + rowsOf(thing));

/** The dots of a page on a layer, values half way; a thing is carried by the pointer. */
export function PageView({ control, layer, page, inHand, onPick, onPlace }: PageViewProps) {
  const design = useDesign();
  const { widthPx, heightPx } = control;
  const [carried, setCarried] = useState<Carried | null>(null);
  const box = useRef<SVGSVGElement>(null);
  const shown = useMemo(
    () =>
      carried
        ? page.map((thing, nth) =>
            nth === carried.nth ? { ...thing, column: carried.column, row: carried.row } : thing,
          )
        : page,
    [page, carried],
  );
  const path = useMemo(() => {
    const [base] = design.keymap.layers;
    const dots = pageDots(design, shown, control, {
      layer,
      layerOf: (inputId) => (Object.hasOwn(layer.bindings, inputId) ? layer : base),
      valueOf: (elementId) => Math.floor(topOf(design, elementId) / 2),
    });
    return dotPath(widthPx, heightPx, (x, y) => dots[y][x]);
  }, [design, shown, control, layer, widthPx, heightPx]);
  const place = (event: PointerEvent) => {
    const { left, top, width, height } = box.current!.getBoundingClientRect();
    return { x: ((event.clientX - left) / width) * widthPx, y: ((event.clientY - top) / height) * heightPx };
  };
  const thing = shown[inHand];
  return (
    <chakra.svg
      ref={box}
      viewBox={`-2 -2 ${widthPx + 4} ${heightPx + 4}`}
      role="img"
      aria-label={`The page: ${page.length === 0 ? "nothing" : page.map((one) => pageThingWords(design, one)).join(", ")}`}
      width="100%"
      maxHeight="260px"
      background="var(--cap-ink)"
      borderRadius="3px"
      touchAction={onPlace ? "none" : undefined}
      cursor={onPlace ? "grab" : undefined}
      onPointerDown={(event: PointerEvent<SVGSVGElement>) => {
        if (!onPlace) return;
        const { x, y } = place(event);
        const nth = page.findIndex((one) => contains(one, x, y));
        if (nth < 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        onPick?.(nth);
        setCarried({ nth, fromX: x, fromY: y, column: page[nth].column, row: page[nth].row });
      }}
      onPointerMove={(event: PointerEvent<SVGSVGElement>) => {
        if (!carried) return;
        const { x, y } = place(event);
        const one = page[carried.nth];
        const within = (value: number, most: number) => Math.max(0, Math.min(Math.max(0, most), value));
        setCarried({
          ...carried,
          column: within(one.column + Math.round(x - carried.fromX), widthPx - one.columns),
          row: within(one.row + Math.round((y - carried.fromY) / 8), heightPx / 8 - rowsOf(one)),
        });
      }}
      onPointerUp={() => {
        if (
          carried &&
          shown[carried.nth] &&
          (carried.column !== page[carried.nth].column || carried.row !== page[carried.nth].row)
        )
          onPlace?.(shown);
        setCarried(null);
      }}
    >
      <path d={path} fill="var(--mat-ink)" />
      {thing && (
        <rect
          x={thing.column - 0.75}
          y={8 * thing.row - 0.75}
          width={thing.columns + 1.5}
          height={8 * rowsOf(thing) + 1.5}
          fill="none"
          stroke="var(--saffron)"
          strokeWidth={0.8}
        />
      )}
    </chakra.svg>
  );
}
