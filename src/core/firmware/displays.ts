import { DISPLAY_ADDS, DISPLAY_DO, GLYPH } from "../contract/displays";
import { ENTRY_BYTES, NONE } from "../contract/contract";
import { type DisplayPage, type PageThing, rowsOf, signColumns, thingsOn } from "../document/displayPages";
import type { Design, Layer } from "../document/schema";
import type { DisplayTelling } from "../circuits/displayTelling";
import { glyphOf, signsOf } from "../keymap/dotFont";
import { deedWords } from "../keymap/pageWords";
import type { DisplayScan, ScanTable } from "./scanTable";
import { topOf, valueAt } from "./shownStates";

const { DISPLAY_THING: DISPLAY_THING_BYTES, DISPLAY_PAGE: DISPLAY_PAGE_BYTES } = ENTRY_BYTES;

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

/** Bytes that lie in a row, equal ones once. */
class Pool {
  readonly bytes: number[] = [];
  private readonly places = new Map<string, number>();

  place(bytes: number[]): number {
    const key = bytes.join(" ");
    const there = this.places.get(key);
    if (there !== undefined) return there;
    const at = this.bytes.length;
    this.places.set(key, at);
    this.bytes.push(...bytes);
    return at;
  }
}

/** Figures, minus sign and point first, as the firmware wants them; then what texts use. */
const FIRST_SIGNS = "0123456789-.";
if (FIRST_SIGNS[GLYPH.MINUS] !== "-" || FIRST_SIGNS[GLYPH.POINT] !== ".") throw new Error("signs out of order");

/** Signs that a device can have: their numbers are one byte, and the last is none. */
const MOST_SIGNS = NONE;

class Signs {
  readonly all = [...FIRST_SIGNS];

  number(sign: string): number {
    if (!this.all.includes(sign) && this.all.length < MOST_SIGNS) this.all.push(sign);
    const at = this.all.indexOf(sign);
    return at < 0 ? NONE : at;
  }
}

/** All that the tables say of displays, table by table. */
export interface DisplayTables {
  displays: number[];
  uses: number[];
  frames: number[];
  pages: number[];
  things: number[];
  texts: number[];
  glyphs: number[];
  pictures: number[];
}

const startBytes = ({ start }: DisplayTelling) => [
  ...start.filter((frame) => frame.length > 0).flatMap((frame) => [frame.length, ...frame]),
  0,
];

const ADDS = {
  nothing: DISPLAY_ADDS.NOTHING,
  row: DISPLAY_ADDS.ROW,
  column: DISPLAY_ADDS.COLUMN,
  low: DISPLAY_ADDS.LOW,
  high: DISPLAY_ADDS.HIGH,
};
const placeBytes = ({ before, firstColumn, place }: DisplayTelling) => [
  ...[before, firstColumn, place.length],
  ...place.flatMap(({ byte, adds }) => [byte, ADDS[adds]]),
];

/** Bytes of a picture, row by row; what is missing is dark. */
export function pictureBytes({ columns, rows, dots }: Extract<PageThing, { shows: "picture" }>): number[] {
  const told = (dots.match(/../g) ?? []).map((pair) => parseInt(pair, 16) || 0);
  return Array.from({ length: columns * rows }, (_, nth) => told[nth] ?? 0);
}

const pageOf = ({ displays = {} }: Layer, controlId: string): DisplayPage | null =>
  Object.hasOwn(displays, controlId) ? displays[controlId] : null;

/** Of the largest page of each display. */
const statesOf = ({ keymap }: Design, display: DisplayScan): number =>
  Math.max(0, ...keymap.layers.map((layer) => thingsOn(pageOf(layer, display.controlId) ?? [], display).length));

/** Things of the largest pages of all displays together. */
export const displayStates = ({ displays }: ScanTable, design: Design): number =>
  displays.reduce((sum, display) => sum + statesOf(design, display), 0);

/** Puts things of pages into entries of the tables, and what they need beside into pools. */
class Pages {
  readonly texts = new Pool();
  readonly pictures = new Pool();
  readonly signs = new Signs();

  constructor(
    private readonly scan: ScanTable,
    private readonly design: Design,
  ) {}

  private textAt(text: string, cells: number): number {
    const fit = signsOf(text).slice(0, cells);
    return this.texts.place([fit.length, ...fit.map((sign) => this.signs.number(sign))]);
  }

  private byLayer(of: (layer: Layer) => string, cells: number): number {
    return this.texts.place(this.design.keymap.layers.flatMap((layer) => word(this.textAt(of(layer), cells))));
  }

  entry(thing: PageThing): number[] {
    const place = [thing.column, thing.row, thing.columns, rowsOf(thing)];
    const of = (does: number, nth = 0, low = 0, high = 0, top = 1, point = 0) => [
      ...[does, ...place, nth],
      ...[...word(low), ...word(high), top, point],
    ];
    const large = "large" in thing && thing.large ? DISPLAY_DO.LARGE : 0;
    const cells = Math.floor(thing.columns / signColumns(thing));
    const nothing = () => of(DISPLAY_DO.TEXT | large, 0, this.textAt("", 0));
    switch (thing.shows) {
      case "text":
        return of(DISPLAY_DO.TEXT | large, 0, this.textAt(thing.text, cells));
      case "layer":
        return of(
          DISPLAY_DO.LAYER | large,
          0,
          this.byLayer(({ name }) => name, cells),
        );
      case "picture":
        return of(DISPLAY_DO.PICTURE, 0, this.pictures.place(pictureBytes(thing)));
      case "deed": {
        const input = this.scan.inputs.indexOf(thing.inputId);
        if (input < 0) return nothing();
        const words = this.byLayer((layer) => deedWords(this.design, thing, layer), cells);
        return of(DISPLAY_DO.DEED | large, input, words);
      }
      default: {
        const value = valueAt(this.scan, thing.elementId);
        if (value < 0) return nothing();
        const top = Math.max(1, topOf(this.design, thing.elementId));
        if (thing.shows === "bar") return of(DISPLAY_DO.BAR, value, 0, 0, top);
        return of(DISPLAY_DO.VALUE | large, value, thing.low, thing.high, top, thing.point);
      }
    }
  }
}

/** What all displays are told, and show on all layers. */
export function displayTables(scan: ScanTable, design: Design): DisplayTables {
  const { layers } = design.keymap;
  const frames = new Pool();
  const written = new Pages(scan, design);
  const pages: number[] = [];
  const things: number[] = [];
  function pageNumber(page: DisplayPage | null, display: DisplayScan): number {
    if (!page) return NONE;
    const entries = thingsOn(page, display).map((thing) => written.entry(thing));
    pages.push(entries.length, ...word(things.length / DISPLAY_THING_BYTES));
    things.push(...entries.flat());
    return pages.length / DISPLAY_PAGE_BYTES - 1;
  }
  let states = 0;
  const displays = scan.displays.flatMap((display) => {
    const first = states;
    states += statesOf(design, display);
    const start = frames.place(startBytes(display.told));
    return [display.columns, display.rows, first, ...word(start), ...word(frames.place(placeBytes(display.told)))];
  });
  const uses = layers.flatMap((layer) =>
    scan.displays.map((display) => pageNumber(pageOf(layer, display.controlId), display)),
  );
  const glyphs = scan.displays.length > 0 ? written.signs.all.flatMap(glyphOf) : [];
  const pools = { texts: written.texts.bytes, pictures: written.pictures.bytes };
  return { displays, uses, frames: frames.bytes, pages, things, glyphs, ...pools };
}
