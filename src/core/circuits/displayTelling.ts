import { DISPLAYS } from "../contract/displays";
import { listOf, whole, z } from "../schema";

/** A byte of the frame that places what follows, and what is added to it: the row, the column, or a half of that. */
const placeByteSchema = z.strictObject({
  byte: whole(0, 255),
  adds: z.enum(["nothing", "row", "column", "low", "high"]),
});
export type PlaceByte = z.infer<typeof placeByteSchema>;

/** Frames of at most so many bytes, and as many of them. */
export const START_FRAMES = 24;

/** How a display is told what: data of its part's class. */
export const displayTellingSchema = z.strictObject({
  /** Frames at the start, each behind its address on the bus. */
  start: listOf(listOf(whole(0, 255), DISPLAYS.FRAME), START_FRAMES),
  place: listOf(placeByteSchema, DISPLAYS.FRAME),
  /** What stands before dots. */
  before: whole(0, 255),
  /** The controller's column that is the display's first. */
  firstColumn: whole(0, 255),
});
export type DisplayTelling = z.infer<typeof displayTellingSchema>;

/**
 * What the common controllers for small displays with a byte for eight dots want (typical of the class, from memory): off; clock, rows, offset, first
 * line; charge pump, addressed by pages; turned so that the terminals are on top, how rows are joined, contrast; how pixels are charged; on. Then the
 * row, the lower and the upper half of the column.
 */
export const usualTelling = (heightPx: number): DisplayTelling => ({
  start: [
    [0x00, 0xae],
    [0x00, 0xd5, 0x80, 0xa8, heightPx - 1, 0xd3, 0x00, 0x40],
    [0x00, 0x8d, 0x14, 0x20, 0x02],
    [0x00, 0xa1, 0xc8, 0xda, heightPx > 32 ? 0x12 : 0x02, 0x81, 0x7f],
    [0x00, 0xd9, 0xf1, 0xdb, 0x40, 0xa4, 0xa6],
    [0x00, 0xaf],
  ],
  place: [
    { byte: 0x00, adds: "nothing" },
    { byte: 0xb0, adds: "row" },
    { byte: 0x00, adds: "low" },
    { byte: 0x10, adds: "high" },
  ],
  before: 0x40,
  firstColumn: 0,
});
