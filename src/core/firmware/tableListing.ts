import type { Design } from "../document/schema";
import type { ScanTable } from "./scanTable";
import { type TablePart, tableParts } from "./tables";

/** What the bytes of each part are. */
const TITLES: Partial<Record<TablePart["at"], string>> = {
  HEADER: "header",
  SENSOR_TABLE:
    "sensors: smooth, turned, twin, curve, still, centre, below, above, dead, its factor, two inputs, key on, off, sides",
  CURVE_TABLE: "curves: what is told at each eighth",
  AXIS_USE_TABLE: "axes: what each does, on which axis, how fast; layer by layer",
  GROUP_TABLE: "groups: strobe line, bank, switch on each of 16 lines",
  BANK_TABLE: "banks: read with nothing strobed",
  SWITCH_TABLE: "switches: debounce ms, eager, tells its change; pulser",
  ENCODER_TABLE:
    "encoders: line A, line B, states a step; felt steps to a told one, how often, fast ms, how often then, top",
  LAMP_TABLE: "lamps: line, what it shows, argument, from which value on; ticks on and off, times, eighths",
  CHAIN_TABLE: "chains: lights, how many lit, how bright, ms to send",
  LIGHT_TABLE: "lights: input of its own key, places of red, green and blue",
  GLOW_TABLE: "glows: how, when, argument, from which value on, of, speed, two colours, fade, which lights",
  PLUG_TABLE: "the pad port: what follows its last bit, then the switch of each bit",
  RADIO_TABLE: "a radio's packet: framing, check value, what is in it, gap, again after, marks",
  SEGMENT_CHAIN_TABLE: "segment displays: drivers of each chain",
  SEGMENT_START_TABLE: "chain, register, value at the start",
  SEGMENT_TABLE: "displays: chain, first driver, digits",
  SEGMENT_USE_TABLE: "what each shows, of which value, from, to, top, point; layer by layer",
  SEGMENT_TEXTS: "texts, each from its last digit on",
  DISPLAY_TABLE: "displays: columns, rows, first state, first frames, frame that places",
  DISPLAY_USE_TABLE: "the page of each display; layer by layer",
  DISPLAY_FRAMES:
    "frames at the start, each behind its length; before dots, first column, bytes that place and what is added",
  DISPLAY_PAGES: "pages: how many things, the first of them",
  DISPLAY_THINGS: "things: what, column, row, columns, rows, of, from or place, to, top, point",
  DISPLAY_TEXTS: "texts, each behind its length; and places of texts by layer",
  DISPLAY_GLYPHS: "signs, five columns each",
  DISPLAY_PICTURES: "pictures",
  TOGETHER_TABLE: "keys together: window ms, how many, which",
  OPPOSITE_TABLE: "opposites: two inputs, what counts",
  MACRO_TABLE: "macros: where each begins, then how often, flags, where again, steps",
  ACTION_TABLE: "actions: layer by layer, input by input",
  ACTION_POOL: "longer actions",
  CRC: "CRC of all above",
};

/** One part of the table block, for listings with comments. */
export interface TableSection extends Omit<TablePart, "at"> {
  title: string;
}

/** The device's tables in sections with their titles. */
export const tableSections = (scan: ScanTable, design: Design): TableSection[] =>
  tableParts(scan, design).map(({ at, ...part }) => ({ title: TITLES[at] ?? at, ...part }));
