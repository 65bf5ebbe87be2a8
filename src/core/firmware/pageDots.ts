import {
  type DisplayPage,
  type PageThing,
  type PictureThing,
  rowsOf,
  signColumns,
  thingsOn,
} from "../document/displayPages";
import type { Design, Layer } from "../document/schema";
import { topOf } from "./shownStates";
import { glyphOf, signsOf } from "../keymap/dotFont";
import { deedWords } from "../keymap/pageWords";
import { pictureRows } from "../keymap/pictureDots";

/** What a page is drawn with: the layer that speaks first, that of each input, and values by element. */
export interface PageMoment {
  layer: Layer;
  layerOf: (inputId: string) => Layer;
  valueOf: (elementId: string) => number;
}

type Dots = boolean[][];

const SIGN_PX = 6;

/** "-12.5": what a value is shown as, or minus signs where that is too long. */
export function numberWords(
  { low, high, point }: { low: number; high: number; point: number },
  value: number,
  top: number,
  cells: number,
): string {
  const part = Math.floor((Math.abs(high - low) * value + Math.floor(top / 2)) / top);
  const number = high < low ? low - part : low + part;
  const words = (number / 10 ** point).toFixed(point);
  return words.length > cells ? "-".repeat(cells) : words.padStart(cells);
}

function drawWords(dots: Dots, thing: PageThing, words: string) {
  const times = "large" in thing && thing.large ? 2 : 1;
  const cells = Math.floor(thing.columns / (SIGN_PX * times));
  signsOf(words)
    .slice(0, cells)
    .forEach((sign, nth) =>
      glyphOf(sign).forEach((byte, column) => {
        for (let dot = 0; dot < 8 * times * times; dot++) {
          const [x, y] = [dot % times, Math.floor(dot / times)];
          if ((byte >> Math.floor(y / times)) & 1)
            dots[8 * thing.row + y][thing.column + (nth * SIGN_PX + column) * times + x] = true;
        }
      }),
    );
}

/** A frame six dots high whose corners are missing. */
function drawBar(dots: Dots, { column, row, columns }: PageThing, value: number, top: number) {
  const last = columns - 1;
  for (let at = 0; at <= last; at++) {
    const isEnd = at === 0 || at === last;
    const isFilled = !isEnd && at * top <= value * (last - 1);
    for (let y = 1; y <= 6; y++) {
      const isEdge = y === 1 || y === 6;
      dots[8 * row + y][column + at] = isEnd ? !isEdge : isEdge || isFilled;
    }
  }
}

function drawPicture(dots: Dots, thing: PictureThing) {
  pictureRows(thing).forEach((row, y) =>
    [...row].forEach((sign, x) => {
      dots[8 * thing.row + y][thing.column + x] = sign === "#";
    }),
  );
}

function drawValued(dots: Dots, design: Design, thing: Extract<PageThing, { elementId: string }>, value: number) {
  const top = Math.max(1, topOf(design, thing.elementId));
  if (thing.shows === "bar") drawBar(dots, thing, value, top);
  else drawWords(dots, thing, numberWords(thing, value, top, Math.floor(thing.columns / signColumns(thing))));
}

/**
 * The dots of a page as a person sees them, row by row: worked out apart from the firmware, for pictures where no device runs, and to hold the
 * firmware against. Where things lie on each other the first is seen.
 */
export function pageDots(
  design: Design,
  page: DisplayPage,
  size: { widthPx: number; heightPx: number },
  { layer, layerOf, valueOf }: PageMoment,
): Dots {
  const dots: Dots = Array.from({ length: size.heightPx }, () => new Array<boolean>(size.widthPx).fill(false));
  const things = thingsOn(page, { columns: size.widthPx, rows: size.heightPx / 8 });
  for (const thing of things.reverse()) {
    for (let y = 0; y < 8 * rowsOf(thing); y++)
      dots[8 * thing.row + y].fill(false, thing.column, thing.column + thing.columns);
    if (thing.shows === "text") drawWords(dots, thing, thing.text);
    if (thing.shows === "layer") drawWords(dots, thing, layer.name);
    if (thing.shows === "deed") drawWords(dots, thing, deedWords(design, thing, layerOf(thing.inputId)));
    if (thing.shows === "picture") drawPicture(dots, thing);
    if ("elementId" in thing) drawValued(dots, design, thing, valueOf(thing.elementId));
  }
  return dots;
}
