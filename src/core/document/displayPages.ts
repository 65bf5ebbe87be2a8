import { DISPLAYS } from "../contract/displays";
import { listOf, text, whole, z } from "../schema";
import { SHOWN_MOST } from "./segmentShows";

/** Where a thing is on its page, in dots from the left and in rows of eight dots from the top, and how many columns it has. */
const placed = {
  column: whole(0, DISPLAYS.COLUMNS - 1),
  row: whole(0, DISPLAYS.ROWS - 1),
  columns: whole(1, DISPLAYS.COLUMNS),
};
/** Signs: twice as large, two rows high, where it says so. */
const written = { ...placed, large: z.optional(z.boolean()) };

/** One thing on a page of a display. */
export const pageThingSchema = z.discriminatedUnion("shows", [
  z.strictObject({ shows: z.literal("text"), ...written, text: text(1, 42) }),
  /** The name of the layer that speaks first. */
  z.strictObject({ shows: z.literal("layer"), ...written }),
  /** What an input does now; in one's own words, where there are some for the layer, by layer id. */
  z.strictObject({
    shows: z.literal("deed"),
    ...written,
    inputId: text(1, 80),
    words: z.optional(z.record(z.string(), text(1, 42))),
  }),
  z.strictObject({
    shows: z.literal("value"),
    ...written,
    /** A knob, an axis, or a value that the computer tells (toldValue). */
    elementId: text(1, 80),
    /** What is shown when the value is 0, and when it is at its top; the point left out. */
    low: whole(-SHOWN_MOST, SHOWN_MOST),
    high: whole(-SHOWN_MOST, SHOWN_MOST),
    /** Digits behind the point. */
    point: whole(0, 4),
  }),
  /** Filled as far as a value goes. */
  z.strictObject({ shows: z.literal("bar"), ...placed, elementId: text(1, 80) }),
  /** One's own dots: row by row a byte for each column, its lowest bit on top, in hexadecimal. */
  z.strictObject({ shows: z.literal("picture"), ...placed, rows: whole(1, DISPLAYS.ROWS), dots: text(2, 16_320) }),
]);
export type PageThing = z.infer<typeof pageThingSchema>;
export type PictureThing = Extract<PageThing, { shows: "picture" }>;

/** What a display shows on a layer and on those above it that say nothing. */
export const displayPageSchema = listOf(pageThingSchema, DISPLAYS.THINGS);
export type DisplayPage = z.infer<typeof displayPageSchema>;

/** Rows of eight dots that a thing takes. */
export const rowsOf = (thing: PageThing): number =>
  thing.shows === "picture" ? thing.rows : "large" in thing && thing.large ? 2 : 1;

/** Columns of a sign, with the gap behind it. */
export const signColumns = (thing: PageThing): number => DISPLAYS.CELL * ("large" in thing && thing.large ? 2 : 1);

/** Things of a page that lie on the display, cut to it. */
export function thingsOn(page: DisplayPage, display: { columns: number; rows: number }): PageThing[] {
  return page.flatMap((thing) => {
    if (thing.column >= display.columns || thing.row + rowsOf(thing) > display.rows) return [];
    const columns = Math.min(thing.columns, display.columns - thing.column);
    // A picture's bytes are counted by its own columns.
    return thing.shows === "picture" && columns < thing.columns ? [] : [{ ...thing, columns }];
  });
}

/** Dots of one bit in whole rows of eight: what the firmware can write. */
export const isWrittenByRows = (display: { widthPx: number; heightPx: number; bitsPerPx: number }): boolean =>
  display.bitsPerPx === 1 &&
  display.heightPx % 8 === 0 &&
  display.heightPx / 8 <= DISPLAYS.ROWS &&
  display.widthPx <= DISPLAYS.COLUMNS;
