/**
 * Displays of dots that are written by pages: rows of eight dots, a byte for each column with its lowest bit on top. CELL: columns that are sent
 * at once; FRAME: the longest frame, with what says what follows; CURSOR: what the runtime keeps of where it is drawing.
 */
export const DISPLAYS = {
  MOST: 8,
  THINGS: 24,
  PAGES: 128,
  COLUMNS: 255,
  ROWS: 32,
  CELL: 6,
  FRAME: 16,
  CURSOR: 9,
} as const;

/** In an entry of the displays: how large it is, its first state, and where its first frames and those that place it begin. */
export const DISPLAY_AT = { COLUMNS: 0, ROWS: 1, STATES: 2, START: 3, PLACE: 5 } as const;

/** What a thing on a page shows; LARGE is added where it is twice as large. */
export const DISPLAY_DO = { TEXT: 1, LAYER: 2, DEED: 3, VALUE: 4, BAR: 5, PICTURE: 6, LARGE: 0x80 } as const;

/**
 * In an entry of the things: where it is and how large; the value or the input that it tells of; and as in segments from where to where a value goes.
 * Of texts and pictures LOW is their place, of what changes with the layer the place of a word for each layer.
 */
export const DISPLAY_THING_AT = {
  SHOWS: 0,
  COLUMN: 1,
  ROW: 2,
  COLUMNS: 3,
  ROWS: 4,
  OF: 5,
  LOW: 6,
  HIGH: 8,
  TOP: 10,
  POINT: 11,
} as const;

/** What is added to a byte of the frame that places what follows. */
export const DISPLAY_ADDS = { NOTHING: 0, ROW: 1, COLUMN: 2, LOW: 3, HIGH: 4 } as const;

/** Signs are five columns and a gap; the first of them are figures, then the minus sign and the point. */
export const GLYPH_COLUMNS = 5;
export const GLYPH = { MINUS: 10, POINT: 11 } as const;

/** What the runtime keeps: of displays where they are drawn, of the things of their largest page what is shown, and a frame. */
export const displayBytes = (displays: number, states: number): number =>
  displays > 0 ? DISPLAYS.CURSOR * displays + states + DISPLAYS.FRAME : 0;
