import { MUSIC_REPORT_BYTES } from "./music";
import { padBytes } from "./pad";

/**
 * The device contract: what stands between a design, its tables and the firmware. Written once, here; the C side
 * (firmware/src/contract.h) is generated from it by `npm run firmware`, and a check tells when it is stale.
 */

/** Raised whenever a byte of the tables changes its meaning: a runtime refuses tables of another version. */
export const TABLE_VERSION = 20;

/** "OV": the first two bytes of a table block. */
export const TABLE_MARK = [0x4f, 0x56] as const;

/** "Nothing here" wherever a number of a line, switch or layer stands in one byte. */
export const NONE = 0xff;

/** Numbers are one byte, and 0xFF is none: so many there can be. Layers are bits of a word. */
export const LIMITS = {
  INPUTS: 254,
  LINES: 255,
  BANKS: 16,
  GROUPS: 255,
  ENCODERS: 127,
  LAMPS: 255,
  /** Addressable lights, on how many chains, and how many glows say what they show. */
  LIGHTS: 254,
  CHAINS: 8,
  GLOWS: 8,
  /** Voltages of sticks, pots and levers. */
  SENSORS: 32,
  /** Parts with a controller each. */
  PARTS: 5,
  /** What a game pad tells. */
  PAD_BUTTONS: 128,
  PAD_AXES: 8,
  LAYERS: 16,
  /** Keys together, and how many keys they are. */
  TOGETHER: 32,
  TOGETHER_PARTS: 6,
  OPPOSITES: 16,
  MACROS: 64,
  /** Keys for the next key only that are held at once. */
  NEXT_KEYS: 8,
  /** Inputs that move the pointer or turn its wheel at once. */
  MOVERS: 6,
  /** Changes of switches that one scan tells: as many as there are fingers, so that its length has a bound. */
  CHANGES_A_SCAN: 10,
  /** In a scan that tells more changes no axis is worked out, so that not everything comes at once. */
  CHANGES_BEFORE_AXES: 3,
  /** Of the window of keys together, and of the time after another key in which a key counts as tapped. */
  WINDOW_MS: 250,
  /** Of what a key is told by that waits. */
  DEADLINE_MS: 2000,
  /** Multi-byte places in the tables are 15 bits, so that every target can add to them. */
  TABLE_BYTES: 32767,
} as const;

/** Sense lines are read sixteen at a time. */
export const BANK_LINES = 16;

/** The header of the tables, field by field: its name and its bytes. Multi-byte values are little endian. */
const HEADER = [
  ["MARK", 2],
  ["VERSION", 1],
  /** Which reports the device declares: bit n is the report of kind n. */
  ["REPORTS", 2],
  /** Of the whole block, the two bytes of its CRC at the end included. */
  ["LENGTH", 2],
  ["SWITCHES", 1],
  ["ENCODERS", 1],
  ["LAMPS", 1],
  ["LAYERS", 1],
  ["GROUPS", 1],
  ["BANKS", 1],
  /** Switches that tell their change. */
  ["FLIPS", 1],
  /** Keys together, opposite directions. */
  ["TOGETHER", 1],
  ["OPPOSITES", 1],
  ["MACROS", 1],
  ["SETTLE_US", 1],
  ["PULSE_MS", 1],
  /** Switches that, held together, unlock live changes; NONE where there are none. */
  ["UNLOCK_FIRST", 1],
  ["UNLOCK_SECOND", 1],
  /** Changes of inputs that can wait; 0 where nothing ever waits. */
  ["WAITING", 1],
  /** Addressable lights, their chains, what says what they show, and how many are worked out in one scan. */
  ["LIGHTS", 1],
  ["CHAINS", 1],
  ["GLOWS", 1],
  ["LIGHTS_A_SCAN", 1],
  /** Voltages that are read, and inputs that they press. */
  ["SENSORS", 1],
  ["BEYONDS", 1],
  /** Of the game pad's report: buttons, whether a hat follows (1), axes, which of them go to both sides, and their bits. */
  ["PAD_BUTTONS", 1],
  ["PAD_HAT", 1],
  ["PAD_AXES", 1],
  ["PAD_BOTH_SIDES", 1],
  ["PAD_AXIS_BITS", 1],
  /** Of the keyboard's report: bytes behind the boot layout, 0 or EVERY_KEY_BYTES. */
  ["KEY_BYTES", 1],
  /** Segment displays, their chains, drivers in all, and registers that are set at the start. */
  ["SEGMENT_DISPLAYS", 1],
  ["SEGMENT_CHAINS", 1],
  ["SEGMENT_DRIVERS", 1],
  ["SEGMENT_STARTS", 1],
  /** Displays of dots, and the things of their largest pages in all. */
  ["DISPLAYS", 1],
  ["DISPLAY_STATES", 1],
  /** Bytes of a radio's packet, its check value not counted; 0 where there is none. */
  ["RADIO", 1],
  /** Bits of a serial pad port; 0 where there is none. */
  ["PLUG", 1],
  /** Whether a socket for music hangs on a serial transmitter (1). */
  ["DIN", 1],
  /** What tells a panel beside its report: LISTENS_TO. */
  ["LISTENS", 1],
  /** Where notes tell it: that of its first flag, and the controller of its first value. */
  ["HEARD_NOTE", 1],
  ["HEARD_CONTROLLER", 1],
  /** Parts with a controller each that tell each other, 0 where there is one; and their longest frame (contract/link.ts). */
  ["PARTS", 1],
  ["LINK_MOST", 1],
  /** CRC of all that live changes cannot change. */
  ["FIXED_CRC", 2],
  ["GROUP_TABLE", 2],
  ["BANK_TABLE", 2],
  ["SWITCH_TABLE", 2],
  ["ENCODER_TABLE", 2],
  ["LAMP_TABLE", 2],
  ["CHAIN_TABLE", 2],
  ["LIGHT_TABLE", 2],
  ["GLOW_TABLE", 2],
  ["SENSOR_TABLE", 2],
  ["CURVE_TABLE", 2],
  ["AXIS_USE_TABLE", 2],
  ["SEGMENT_CHAIN_TABLE", 2],
  ["SEGMENT_START_TABLE", 2],
  ["SEGMENT_TABLE", 2],
  ["SEGMENT_USE_TABLE", 2],
  ["SEGMENT_TEXTS", 2],
  ["DISPLAY_TABLE", 2],
  ["DISPLAY_USE_TABLE", 2],
  ["DISPLAY_FRAMES", 2],
  ["DISPLAY_PAGES", 2],
  ["DISPLAY_THINGS", 2],
  ["DISPLAY_TEXTS", 2],
  ["DISPLAY_GLYPHS", 2],
  ["DISPLAY_PICTURES", 2],
  ["RADIO_TABLE", 2],
  ["PLUG_TABLE", 2],
  ["PART_TABLE", 2],
  ["TOGETHER_TABLE", 2],
  ["OPPOSITE_TABLE", 2],
  ["MACRO_TABLE", 2],
  ["ACTION_TABLE", 2],
  ["ACTION_POOL", 2],
] as const;

export type HeaderField = (typeof HEADER)[number][0];

/** Where each field of the header begins, and where the header ends. */
export const AT = Object.fromEntries(
  HEADER.map(([name], nth) => [name, HEADER.slice(0, nth).reduce((sum, [, bytes]) => sum + bytes, 0)]),
) as Record<HeaderField, number>;
export const HEADER_BYTES = HEADER.reduce((sum, [, bytes]) => sum + bytes, 0);

/** Bytes of one entry of each table. */
export const ENTRY_BYTES = {
  /** Strobe line or NONE, bank, and on each of the 16 lines a switch number or NONE. */
  GROUP: 18,
  /** 1 when the bank is read with nothing strobed: direct switches and encoders. */
  BANK: 1,
  /** Debounce time in ms and how it is used (SWITCH_FLAG), and the pulser of one that tells its change, or NONE. */
  SWITCH: 2,
  /** Sense line of A, of B, quadrature states between two felt steps, and what is told of those (ENCODER_AT). */
  ENCODER: 10,
  /** Lamp line, what it shows (LAMP), argument, and from which value on; and how it is seen (LAMP_AT). */
  LAMP: 8,
  /** Lights that have an index, how many of them may be lit, how bright of 255, and the ms that sending takes (CHAIN_AT). */
  CHAIN: 4,
  /** The input of its own key, or NONE; and where among its bytes red, green and blue come, two bits each. */
  LIGHT: 2,
  /** What is seen (GLOW), when (as of a lamp), colours and times (GLOW_AT); a bit for each light follows. */
  GLOW: 15,
  /** How a voltage becomes the place of an axis (SENSOR_AT). */
  SENSOR: 23,
  /** Places told for each eighth of the way, as words. */
  CURVE: 18,
  /** What an axis does on a layer: what (AXIS_DO), on which axis, how fast. Layer by layer, sensor by sensor. */
  AXIS_USE: 4,
  /** Drivers of a chain. */
  SEGMENT_CHAIN: 1,
  /** A chain, a register of its drivers, and what it is set to. */
  SEGMENT_START: 3,
  /** Where a segment display hangs (SEGMENT_AT). */
  SEGMENT: 3,
  /** What it shows on a layer (SEGMENT_USE_AT). Layer by layer, display by display. */
  SEGMENT_USE: 8,
  /** How large a display of dots is, and how it is told (DISPLAY_AT). */
  DISPLAY: 7,
  /** The page that it shows on a layer, or NONE. Layer by layer, display by display. */
  DISPLAY_USE: 1,
  /** How many things a page has, and the first of them as a word. */
  DISPLAY_PAGE: 3,
  /** What is on a page (DISPLAY_THING_AT). */
  DISPLAY_THING: 12,
  /** Window in ms, how many they are, their inputs. */
  TOGETHER: 8,
  /** Two inputs, and what counts while both are held (OPPOSITE). */
  OPPOSITE: 3,
  /** Where the macro begins, from the table's own beginning on. */
  MACRO: 2,
  /** Kind, modifiers, value; or LONG and the place of a longer action in the pool. Layer by layer, input by input. */
  ACTION: 4,
} as const;

/** Upper bits of a switch's first byte; the lower six are its debounce time. */
export const SWITCH_FLAG = {
  /** A change counts at once, and further ones wait out the debounce time. */
  EAGER: 0x80,
  /** It tells each change by a pulse instead of being held down. */
  FLIPS: 0x40,
  DEBOUNCE_MS: 0x3f,
} as const;

/**
 * In an entry of the encoders: how many felt steps are one that is told; how often that is told; within how many ms after
 * the one before more often (0: never), and how often at most; up to where its value counts; and the channel on which that is
 * told as a controller of music (NONE: it is not), and which.
 */
export const ENCODER_AT = {
  A: 0,
  B: 1,
  STATES: 2,
  FELT: 3,
  TOLD: 4,
  FAST_MS: 5,
  FAST_TOLD: 6,
  TOP: 7,
  CHANNEL: 8,
  CONTROLLER: 9,
} as const;

/** What an input does: the first byte of an action. */
export const ACTION = {
  /** As on the layer beneath. */
  PASS: 0,
  NOTHING: 1,
  /** A usage of the keyboard page, with modifiers. */
  KEYBOARD: 2,
  /** A usage of the consumer page. */
  CONSUMER: 3,
  HOLD_LAYER: 4,
  STAY_LAYER: 5,
  /** Its modifiers hold HOLD_BY, its value the deadline in ms; behind it both jobs, then the quick time in ms. */
  TWO_JOBS: 6,
  /** Its value is the time in ms; behind it what one tap does, then what the second does. */
  SECOND_TAP: 7,
  /** On until it is switched off. */
  SWITCH_LAYER: 8,
  /** For the next key only. */
  NEXT_MODIFIERS: 9,
  NEXT_LAYER: 10,
  /** Its value is the macro's number. */
  MACRO: 11,
  /** Its value is the button, from 0 on. */
  POINTER_BUTTON: 12,
  /** Its modifiers are the direction and, above it, how fast it comes to its speed (POINTER), which is its value. */
  POINTER_MOVE: 13,
  /** Its modifiers are the direction, its value the ms from one step to the next, 0 for one step only. */
  POINTER_WHEEL: 14,
  /** Keeps the computer awake: its modifiers are AWAKE, its value the seconds between two movements. */
  AWAKE: 15,
  /** Its value is the bit of the system report. */
  SYSTEM: 16,
  /** Its value is the button of the game pad, from 0 on; or the side of its hat, as DIRECTION. */
  PAD_BUTTON: 17,
  PAD_HAT: 18,
  /** Their modifiers are the channel. NOTE: the note and, above it, how hard. CONTROLLER: which and, above it, what while held. */
  NOTE: 19,
  CONTROLLER: 20,
  PROGRAM: 21,
  /** Where on the screen the pointer is put, in 4095ths: across in the lower twelve bits of its value, down above them and in its modifiers. */
  POINTER_PLACE: 22,
  /** Its value is the place, in the pool, of an action that is longer than an entry. */
  LONG: 0x7f,
} as const;

/**
 * Of what moves the pointer or turns its wheel: the direction, and in how many ms it comes to its speed, as a power of two
 * (RAMP_SHIFT; 0: at once). Speeds are counts, of which so many make one count a millisecond.
 */
export const DIRECTION = { RIGHT: 0, LEFT: 1, DOWN: 2, UP: 3 } as const;
export const POINTER = { DIRECTION: 0x03, WHEEL: 0x04, RAMP_SHIFT: 4, BUTTONS: 5, FRACTION_BITS: 13 } as const;

/** The far edge of the screen in the report of a place; and in an action, which has twelve bits for each. */
export const PLACE_MOST = 0x7fff;
export const PLACE_STEPS = 0xfff;

/** How long it stays on: until its next press, or while it is held. */
export const AWAKE = { SWITCHED: 0, HELD: 1 } as const;

/**
 * A macro begins with how often it plays (0 while its input is held), its flags, and where in itself it begins again; then
 * come its steps. TEXT is followed by how many strokes there are, and the strokes; END and UNTIL_LET_GO by nothing; AGAIN by
 * how often what stands before it is done (0 while the input is held), and in two bytes how far back that begins; all
 * others by two bytes: usage and modifiers, a usage of the consumer page, milliseconds, or a layer.
 */
export const STEP = {
  END: 0,
  PRESS: 1,
  RELEASE: 2,
  TAP: 3,
  TEXT: 4,
  WAIT: 5,
  UNTIL_LET_GO: 6,
  CONSUMER: 7,
  STAY_LAYER: 8,
  SWITCH_LAYER: 9,
  AGAIN: 10,
} as const;
export const STEP_BYTES = 3;
export const AGAIN_BYTES = 4;
/** Parts of a macro that are done again, one within the other; the innermost beyond that is done once. */
export const PARTS_DEEP = 4;

/** Strokes of a text: a usage, in the upper bit whether left Shift is held; or LONG, then usage and modifiers. */
export const STROKE = { SHIFT: 0x80, LONG: 0x7f } as const;
export const LEFT_SHIFT = 0x02;

/** Flag of a macro that any press ends. */
export const MACRO_ENDS = 1;
/** Keys that a macro can hold down at once: as many as the keyboard's report tells. */
export const MACRO_KEYS = 6;

/** Bytes of the actions that lie in the pool. */
export const LONG_BYTES = { [ACTION.TWO_JOBS]: 16, [ACTION.SECOND_TAP]: 12 } as Record<number, number>;

/** What decides, before the deadline, that a key with two jobs is held: nothing, another key's press, or its tap. */
export const HOLD_BY = { TIME: 0, PRESS: 1, TAP: 2 } as const;

/** What counts while both of two opposite directions are held. */
export const OPPOSITE = { NEITHER: 0, LAST: 1, FIRST: 2, ONE_SIDE: 3 } as const;

/** In an entry of the table of keys together. */
export const TOGETHER_AT = { WINDOW: 0, SIZE: 1, PARTS: 2 } as const;

/** Changes that can wait where something does: those of all fingers, and some that follow. */
export const WAITING = 24;

/** Bytes of a bit for each input, where there are keys together, or opposites. */
export const partBytes = (count: number): number => (count > 0 ? 32 : 0);

/** What a lamp shows; of lights only, that the key beside it is held; and a flag that the computer sets. */
export const LAMP = {
  NEVER: 0,
  ALWAYS: 1,
  LAYER: 2,
  LOCK: 3,
  NEXT: 4,
  HELD: 5,
  AWAKE: 6,
  VALUE: 7,
  OWN: 8,
  TOLD: 9,
} as const;

/**
 * How a lamp is seen: on and off for so many times 10 ms (ON 0: steadily), so often once it has begun (0: as long as it lasts), and
 * in how many of eight milliseconds it is lit.
 */
export const LAMP_AT = { LINE: 0, KIND: 1, ARGUMENT: 2, FROM: 3, ON: 4, OFF: 5, TIMES: 6, EIGHTHS: 7 } as const;
/** Of the times above. */
export const LAMP_TICK_MS = 10;

/** What lights show: one colour, between two by a knob's value, and what moves by itself. */
export const GLOW = { STILL: 0, VALUE: 1, SWELL: 2, WAVE: 3, ROUND: 4, EMBERS: 5 } as const;

/**
 * In an entry of the glows, whose second to fourth bytes are those of a lamp: the encoder of a value, or how far a light is ahead of
 * the one before it in 256ths of the period; the speed (2^24 a period, of embers 2^20; of a value 65280 by its top); two
 * colours, red first; and how much of it goes in a ms, in 256ths of a level, of which 255 are all.
 */
export const GLOW_AT = {
  HOW: 0,
  WHEN: 1,
  ARGUMENT: 2,
  FROM: 3,
  OF: 4,
  SPEED: 5,
  COLOUR: 7,
  OTHER: 10,
  FADE: 13,
} as const;

/** Bytes of a glow's entry, with a bit for each light. */
export const glowBytes = (lights: number): number => ENTRY_BYTES.GLOW + Math.ceil(lights / 8);

export const CHAIN_AT = { LIGHTS: 0, MOST_LIT: 1, LEVEL: 2, SEND_MS: 3 } as const;

/** A light is told three bytes. */
export const LIGHT_BYTES = 3;

/** From the beginning of one picture of the lights to that of the next, at least. */
export const PICTURE_MS = 20;

/**
 * How long a byte of a chain takes, in µs: 1.25 a bit (common practice), and six cycles of 16 MHz between two bytes; and what else a
 * scan takes that only sends. Held against the simulated chip.
 */
export const LIGHT_US = { BYTE: 10.375, SCAN: 60 } as const;

/** Whole milliseconds that sending to so many lights takes from the device's other work. */
export const lightsMs = (lights: number): number =>
  Math.ceil((lights * LIGHT_BYTES * LIGHT_US.BYTE + LIGHT_US.SCAN) / 1000);

/** Keyboard usages from here on are modifiers, not keys of the report (HID Usage Tables, keyboard page). */
export const FIRST_MODIFIER = 0xe0;

/**
 * How a report is sent. STATE: the newest state, when it differs from the last one taken. SUM: what has added up since
 * the last one taken. QUEUE: one after another, none left out.
 */
export const SENDING = { STATE: 0, SUM: 1, QUEUE: 2 } as const;

/** The reports a device can send, by their number: bytes, and how they are sent. */
export const REPORTS = {
  keyboard: { number: 0, bytes: 8, sending: SENDING.STATE },
  consumer: { number: 1, bytes: 2, sending: SENDING.STATE },
  /** Frames of live changes, which the host asks for; it sends no report of its own. */
  live: { number: 2, bytes: 0, sending: SENDING.QUEUE },
  pointer: { number: 3, bytes: 5, sending: SENDING.SUM },
  system: { number: 4, bytes: 1, sending: SENDING.STATE },
  /** As many bytes as the tables say (padBytes). */
  pad: { number: 5, bytes: 0, sending: SENDING.STATE },
  /** What the computer tells (PANEL); the device sends no report of its own. */
  panel: { number: 6, bytes: 0, sending: SENDING.QUEUE },
  /** As many bytes as there are events, up to MUSIC_REPORT_BYTES. */
  music: { number: 7, bytes: 0, sending: SENDING.QUEUE },
  /** A byte for a button, which is never down, then how far across and down the screen, each of PLACE_MOST. */
  place: { number: 8, bytes: 5, sending: SENDING.SUM },
} as const;
export type ReportName = keyof typeof REPORTS;

/** A bit for each usage of the keyboard page beneath the modifiers, which have theirs in the boot layout's first byte. */
export const EVERY_KEY_BYTES = 0xe0 / 8;

/** The longest report of all: a keyboard's that tells every key, or a game pad's that has everything. */
export const LONGEST_REPORT = Math.max(
  REPORTS.keyboard.bytes + EVERY_KEY_BYTES,
  padBytes(LIMITS.PAD_BUTTONS, 1, LIMITS.PAD_AXES, 16),
  MUSIC_REPORT_BYTES,
);

/** What ov_init answers: READY, or why the device stays quiet. */
export const START = { READY: 0, NO_TABLES: 1, OTHER_VERSION: 2, TORN: 3, NO_ROOM: 4, NO_PART: 5 } as const;

/** Steps between two scans that are kept of encoders whose edges interrupt, and one. */
export const EDGE_STEPS = 16;

/** Runs of steps in one direction that wait to be told, for each encoder. */
export const STEP_RUNS = 3;

/** What the arena's size depends on. */
export interface ArenaCounts {
  banks: number;
  groups: number;
  switches: number;
  inputs: number;
  encoders: number;
  /** Encoders, and switches that tell their change. */
  pulsers: number;
  layers: number;
  /** Changes that can wait. */
  waiting: number;
  /** Bits that tell the parts of keys together, and those that have an opposite. */
  partBytes: number;
  lamps: number;
  lights: number;
  glows: number;
  sensors: number;
  /** Buttons of the game pad that are counted. */
  padButtons: number;
  /** What moves the pointer at once, where its report is declared. */
  movers: number;
  /** Bytes of all declared reports. */
  reportBytes: number;
  /** What the computer tells, where it is declared. */
  panelBytes: number;
  /** Of segment displays (segmentBytes). */
  segmentBytes: number;
  /** Of displays of dots (displayBytes). */
  displayBytes: number;
  /** Events and notes of music, where it is declared. */
  musicBytes: number;
  /** Events that wait for a socket. */
  dinBytes: number;
  /** Of a radio's packet. */
  radioBytes: number;
  /** Of a link between parts (contract/link.ts). */
  linkBytes: number;
  /** Of live changes, where they are declared (contract/live.ts). */
  liveBytes: number;
}

/** What the runtime keeps in the arena: bytes for each of something. Two-byte things come first, so that all lie even. */
export const ARENA: [bytes: number, of: keyof ArenaCounts][] = [
  // Resting words.
  [2, "banks"],
  // Last words.
  [2, "groups"],
  // Waiting steps.
  [2 * STEP_RUNS, "pulsers"],
  // When each change came that waits.
  [2, "waiting"],
  // Since when each mover is held, and how fast it gets.
  [4, "movers"],
  // What is left of a count, reading, what stands still, where that is, the place told, how fast it moves, what it does and on what.
  [14, "sensors"],
  // Whether a switch of it settles.
  [1, "groups"],
  // Debounce.
  [1, "switches"],
  // What each input was pressed for.
  [1, "inputs"],
  // Quadrature state and travel, felt steps, time and direction of the last that was told, value.
  [6, "encoders"],
  // Input of a switch that tells its change.
  [1, "pulsers"],
  // Holders.
  [1, "layers"],
  // Input that waits, and time before its press.
  [2, "waiting"],
  // Parts of keys together, inputs with an opposite.
  [1, "partBytes"],
  // Whether it is lit, where its pattern is, and how long it stays there.
  [3, "lamps"],
  // What each light was told, and how much is left of its own key's glow.
  [4, "lights"],
  // How much there is of each glow, and where its effect is.
  [4, "glows"],
  // Inputs that hold each button of the pad.
  [1, "padButtons"],
  // Movers and where they move.
  [2, "movers"],
  // Last reports taken.
  [1, "reportBytes"],
  // What the computer told.
  [1, "panelBytes"],
  // What segment displays show.
  [1, "segmentBytes"],
  // Where displays are drawn, and what is shown.
  [1, "displayBytes"],
  // Events of music that wait, and notes that sound.
  [1, "musicBytes"],
  // Events of music that wait for a socket.
  [1, "dinBytes"],
  // The packet that was sent last.
  [1, "radioBytes"],
  // Frames of a link.
  [1, "linkBytes"],
  // Changed bindings and a frame.
  [1, "liveBytes"],
];

/** Bytes of the arena; the C side computes the same. */
export const arenaBytes = (counts: ArenaCounts): number =>
  ARENA.reduce((sum, [bytes, of]) => sum + bytes * counts[of], 0);

/**
 * Bytes of RAM beside the arena on the 8-bit core: the runtime's own variables and its deepest stack, both measured by
 * tests/firmware/memory.test.ts, which fails when they grow beyond this.
 */
export const FIXED_RAM_BYTES = {
  rest: 192,
  lights: 14,
  live: 40,
  pointer: 30,
  axes: 20,
  pad: 10,
  panel: 4,
  music: 12,
  din: 14,
  lines: 8,
  segments: 14,
  displays: 10,
  tone: 6,
  place: 6,
  radio: 24,
  plug: 12,
  heard: 0,
  link: 54,
  bus: 81,
};
/** What a device with a link and live changes needs for passing them on, beside both. */
export const PASSED_RAM_BYTES = 22;
export const STACK_BYTES = 108;
/** A radio's packet is framed on the stack, which is the deeper by so much. */
export const RADIO_STACK_BYTES = 158;
/** The same of a frame to the device's other part. */
export const LINK_STACK_BYTES = 88;

/** What a device needs in RAM on the 8-bit core, without its board's own code, in bytes. */
export const ramBytes = (counts: ArenaCounts, fixedBytes: number, stackBytes: number): number =>
  arenaBytes(counts) + fixedBytes + stackBytes;
