import {
  ACTION,
  AGAIN_BYTES,
  ARENA,
  type ArenaCounts,
  AT,
  AWAKE,
  BANK_LINES,
  CHAIN_AT,
  DIRECTION,
  EDGE_STEPS,
  ENCODER_AT,
  ENTRY_BYTES,
  FIRST_MODIFIER,
  GLOW,
  GLOW_AT,
  HEADER_BYTES,
  HOLD_BY,
  LAMP,
  LAMP_AT,
  LAMP_TICK_MS,
  LIMITS,
  LEFT_SHIFT,
  LIGHT_BYTES,
  LONG_BYTES,
  EVERY_KEY_BYTES,
  LONGEST_REPORT,
  MACRO_ENDS,
  MACRO_KEYS,
  STEP,
  STEP_BYTES,
  STROKE,
  NONE,
  OPPOSITE,
  partBytes,
  PARTS_DEEP,
  PICTURE_MS,
  PLACE_MOST,
  PLACE_STEPS,
  POINTER,
  REPORTS,
  SENDING,
  START,
  STEP_RUNS,
  SWITCH_FLAG,
  TABLE_MARK,
  TABLE_VERSION,
  TOGETHER_AT,
} from "./contract";
import { AXIS_DO, AXIS_MOST, AXIS_USE_AT, CURVE_POINTS, SENSOR_AT } from "./axes";
import { HAT_NONE } from "./pad";
import { DIN, MUSIC, MUSIC_AXIS, MUSIC_REPORT_BYTES, MUSIC_STATUS, MUSIC_USUAL, dinBytes, musicBytes } from "./music";
import { LISTENS_TO, PANEL } from "./panel";
import {
  LINK,
  LINK_BUS,
  LINK_FLAG,
  LINK_KEPT,
  LINK_ON_BUS,
  LINK_PARTS,
  LINK_SHOWN,
  LINK_STATE,
  PART_AT,
  PART_BYTES,
  linkBytes,
} from "./link";
import { PLUG } from "./plug";
import { RADIO_AT, RADIO_BYTES, RADIO_CHECK, RADIO_FRAME_MOST, RADIO_FRAMING, RADIO_PARTS } from "./radio";
import {
  DISPLAY_ADDS,
  DISPLAY_AT,
  DISPLAY_DO,
  DISPLAY_THING_AT,
  DISPLAYS,
  displayBytes,
  GLYPH,
  GLYPH_COLUMNS,
} from "./displays";
import {
  SEGMENT_AT,
  SEGMENT_DIGITS,
  SEGMENT_DO,
  SEGMENT_MINUS,
  SEGMENT_POINT,
  SEGMENT_USE_AT,
  SEGMENTS,
  segmentBytes,
} from "./segments";
import {
  BANK_WHOLE_BYTES,
  BOARD_AT,
  BOARD_BYTES_MOST,
  BOARD_ENTRY_BYTES,
  BOARD_HEADER_BYTES,
  BOARD_MARK,
  BOARD_PART,
  BOARD_VERSION,
  LAMP_ON,
  LEVEL_AT,
  START_MODE,
  STROBE_FLAG,
} from "./board";
import {
  CHANGE_BYTES,
  COMMAND,
  FRAME_AT,
  FRAME_BYTES,
  HELLO_AT,
  KEEP,
  KEPT_BYTES,
  KEPT_MAP,
  KEPT_SLOTS,
  LIVE_STATE,
  LIVE_VERSION,
  MOST_CHANGES,
  MOST_POOL_READ,
  MOST_SENSORS_READ,
  MOST_READ,
  MOST_WRITTEN,
  NO_SEAL,
  OPEN_SECONDS,
  PACKED_FRAME_BYTES,
  SEAL,
  SLOT_AT,
  SLOT_BYTES,
  STATUS,
  UNLOCK_TENTHS,
} from "./live";

/** The order of the arena macro's parameters. */
const COUNTS: (keyof ArenaCounts)[] = [
  "banks",
  "groups",
  "switches",
  "inputs",
  "encoders",
  "pulsers",
  "layers",
  "waiting",
  "partBytes",
  "lamps",
  "lights",
  "glows",
  "sensors",
  "padButtons",
  "movers",
  "reportBytes",
  "panelBytes",
  "segmentBytes",
  "displayBytes",
  "musicBytes",
  "dinBytes",
  "radioBytes",
  "linkBytes",
  "liveBytes",
];

const hex = (value: number) => `0x${value.toString(16).toUpperCase().padStart(2, "0")}`;
const defines = (prefix: string, values: Record<string, number>) =>
  Object.entries(values).map(([name, value]) => `#define OV_${prefix}${name} ${value > 9 ? hex(value) : value}`);

/** Live changes: what is kept, and the frames. */
const liveDefines = () => `#define OV_LIVE_VERSION ${LIVE_VERSION}
#define OV_KEPT_BYTES ${KEPT_BYTES}
#define OV_KEPT_SLOTS ${KEPT_SLOTS}
${defines("KEPT_", KEPT_MAP).join("\n")}
${defines("SLOT_BYTES_", SLOT_BYTES).join("\n")}
#define OV_SEAL ${hex(SEAL)}
#define OV_NO_SEAL ${hex(NO_SEAL)}
${defines("SLOT_AT_", SLOT_AT).join("\n")}
#define OV_CHANGE_BYTES ${CHANGE_BYTES}
#define OV_MOST_CHANGES ${MOST_CHANGES}
#define OV_FRAME_BYTES ${FRAME_BYTES}
#define OV_PACKED_FRAME_BYTES ${PACKED_FRAME_BYTES}
${defines("FRAME_AT_", FRAME_AT).join("\n")}
${defines("COMMAND_", COMMAND).join("\n")}
${defines("STATUS_", STATUS).join("\n")}
${defines("HELLO_AT_", HELLO_AT).join("\n")}
${defines("LIVE_STATE_", LIVE_STATE).join("\n")}
#define OV_MOST_READ ${MOST_READ}
#define OV_MOST_WRITTEN ${MOST_WRITTEN}
#define OV_MOST_POOL_READ ${MOST_POOL_READ}
#define OV_MOST_SENSORS_READ ${MOST_SENSORS_READ}
#define OV_UNLOCK_TENTHS ${UNLOCK_TENTHS}
#define OV_OPEN_SECONDS ${OPEN_SECONDS}
${defines("KEEP_", KEEP).join("\n")}
#define OV_LIVE_NEED(inputs, layers) (((inputs) * (layers) + 7u) / 8u + OV_FRAME_BYTES)`;

/** What inputs do. */
const actionDefines = () => `${defines("DO_", ACTION).join("\n")}
#define OV_FIRST_MODIFIER ${hex(FIRST_MODIFIER)}
#define OV_TWO_JOBS_BYTES ${LONG_BYTES[ACTION.TWO_JOBS]}
#define OV_SECOND_TAP_BYTES ${LONG_BYTES[ACTION.SECOND_TAP]}
${defines("HOLD_BY_", HOLD_BY).join("\n")}

${defines("TOGETHER_AT_", TOGETHER_AT).join("\n")}
${Object.entries(OPPOSITE)
  .map(([name, value]) => `#define OV_${name}_COUNTS ${value}`)
  .join("\n")}
${defines("DIRECTION_", DIRECTION).join("\n")}
${defines("POINTER_", POINTER).join("\n")}
#define OV_PLACE_MOST ${hex(PLACE_MOST)}
#define OV_PLACE_STEPS ${hex(PLACE_STEPS)}
${defines("AWAKE_", AWAKE).join("\n")}
#define OV_PART_BYTES(together) ((together) > 0 ? ${partBytes(1)}u : 0u)

${defines("STEP_", STEP).join("\n")}
#define OV_STEP_BYTES ${STEP_BYTES}
#define OV_AGAIN_BYTES ${AGAIN_BYTES}
#define OV_PARTS_DEEP ${PARTS_DEEP}
${defines("STROKE_", STROKE).join("\n")}
#define OV_LEFT_SHIFT ${LEFT_SHIFT}
#define OV_MACRO_ENDS ${MACRO_ENDS}
#define OV_MACRO_KEYS ${MACRO_KEYS}`;

/** What lamps and lights show. */
const lightDefines = () => `${defines("LAMP_", LAMP).join("\n")}
${defines("LAMP_AT_", LAMP_AT).join("\n")}
#define OV_LAMP_TICK_MS ${LAMP_TICK_MS}
${defines("CHAIN_AT_", CHAIN_AT).join("\n")}
${defines("GLOW_", GLOW).join("\n")}
${defines("GLOW_AT_", GLOW_AT).join("\n")}
#define OV_COLOURS ${LIGHT_BYTES}
#define OV_PICTURE_MS ${PICTURE_MS}`;

/** What is sensed, and the reports that are not of one length. */
const sensorDefines = () => `${defines("SENSOR_AT_", SENSOR_AT).join("\n")}
#define OV_AXIS_MOST ${AXIS_MOST}
#define OV_CURVE_POINTS ${CURVE_POINTS}
${defines("AXIS_DO_", AXIS_DO).join("\n")}
${defines("AXIS_USE_AT_", AXIS_USE_AT).join("\n")}
#define OV_HAT_NONE ${HAT_NONE}
${defines("PANEL_", PANEL).join("\n")}
${defines("LISTENS_TO_", LISTENS_TO).join("\n")}
${defines("MUSIC_", MUSIC).join("\n")}
#define OV_MUSIC_REPORT_BYTES ${MUSIC_REPORT_BYTES}
#define OV_MUSIC_NEED ${musicBytes}
#define OV_DIN_NEED ${dinBytes}
${defines("DIN_", DIN).join("\n")}
${defines("MUSIC_", MUSIC_STATUS).join("\n")}
${defines("MUSIC_", MUSIC_USUAL).join("\n")}
${defines("MUSIC_AXIS_", MUSIC_AXIS).join("\n")}`;

/** Segment displays. */
const segmentDefines = () => `${defines("SEGMENTS_", SEGMENTS).join("\n")}
${defines("SEGMENT_AT_", SEGMENT_AT).join("\n")}
${defines("SEGMENT_DO_", SEGMENT_DO).join("\n")}
${defines("SEGMENT_USE_AT_", SEGMENT_USE_AT).join("\n")}
#define OV_SEGMENT_POINT ${hex(SEGMENT_POINT)}
#define OV_SEGMENT_MINUS ${hex(SEGMENT_MINUS)}
#define OV_SEGMENT_FIGURES {${SEGMENT_DIGITS.map(hex).join(", ")}}
#define OV_SEGMENT_NEED(drivers, displays, chains) (${segmentBytes(1, 0, 0)}u * (drivers) + ${segmentBytes(0, 1, 0)}u * (displays) + ${segmentBytes(0, 0, 1)}u * (chains))`;

/** Displays of dots. */
const displayDefines = () => `${defines("DISPLAYS_", DISPLAYS).join("\n")}
${defines("DISPLAY_AT_", DISPLAY_AT).join("\n")}
${defines("DISPLAY_DO_", DISPLAY_DO).join("\n")}
${defines("DISPLAY_THING_AT_", DISPLAY_THING_AT).join("\n")}
${defines("DISPLAY_ADDS_", DISPLAY_ADDS).join("\n")}
${defines("GLYPH_", GLYPH).join("\n")}
#define OV_GLYPH_COLUMNS ${GLYPH_COLUMNS}
#define OV_DISPLAY_NEED(displays, states) ((displays) > 0 ? ${displayBytes(2, 0) - displayBytes(1, 0)}u * (displays) + (states) + ${DISPLAYS.FRAME}u : 0u)`;

/** A radio's packet, and a pad port. */
const radioDefines = () => `${defines("RADIO_AT_", RADIO_AT).join("\n")}
#define OV_RADIO_BYTES ${RADIO_BYTES}
${defines("RADIO_FRAMING_", RADIO_FRAMING).join("\n")}
${defines("RADIO_CHECK_", RADIO_CHECK).join("\n")}
${defines("RADIO_PARTS_", RADIO_PARTS).join("\n")}
#define OV_RADIO_FRAME_MOST ${RADIO_FRAME_MOST}
${defines("PLUG_", PLUG).join("\n")}`;

/** Parts that tell each other. */
const linkDefines = () => `${defines("LINK_", LINK).join("\n")}
${defines("LINK_FLAG_", LINK_FLAG).join("\n")}
${defines("LINK_STATE_", LINK_STATE).join("\n")}
${defines("LINK_SHOWN_", LINK_SHOWN).join("\n")}
${defines("LINK_KEPT_", LINK_KEPT).join("\n")}
${defines("PART_AT_", PART_AT).join("\n")}
#define OV_PART_ENTRY_BYTES ${PART_BYTES}
#define OV_LINK_PARTS ${hex(LINK_PARTS)}
#define OV_LINK_ON_BUS ${hex(LINK_ON_BUS)}
${defines("LINK_BUS_", LINK_BUS).join("\n")}
#define OV_LINK_NEED(most, encoders, parts) ((most) > 0 ? ((parts) + 1u) * (most) + (encoders) + ${linkBytes(1, 0, 0) - 1}u : 0u)`;

/** The board block. */
const boardDefines = () => `#define OV_BOARD_VERSION ${BOARD_VERSION}
#define OV_BOARD_MARK_0 ${hex(BOARD_MARK[0])}
#define OV_BOARD_MARK_1 ${hex(BOARD_MARK[1])}
#define OV_MOST_BOARD_BYTES ${BOARD_BYTES_MOST}
${defines("BOARD_AT_", BOARD_AT).join("\n")}
#define OV_BOARD_HEADER_BYTES ${BOARD_HEADER_BYTES}
${Object.entries(BOARD_ENTRY_BYTES)
  .map(([name, bytes]) => `#define OV_BOARD_${name}_BYTES ${bytes}`)
  .join("\n")}
${defines("START_MODE_", START_MODE).join("\n")}
${defines("STROBE_", STROBE_FLAG).join("\n")}
#define OV_BANK_WHOLE_BYTES ${hex(BANK_WHOLE_BYTES)}
${defines("LEVEL_", LEVEL_AT).join("\n")}
${defines("LAMP_ON_", LAMP_ON).join("\n")}
${defines("PART_", BOARD_PART).join("\n")}`;

/** The contract as a C header. */
export function contractHeader(): string {
  const reports = Object.entries(REPORTS).flatMap(([name, { number, bytes, sending }]) => [
    `#define OV_REPORT_${name.toUpperCase()} ${number}`,
    ...(bytes > 0 || name === "live" ? [`#define OV_${name.toUpperCase()}_BYTES ${bytes}`] : []),
    `#define OV_${name.toUpperCase()}_SENDING ${sending}`,
  ]);
  const need = ARENA.map(([bytes, of]) => `${bytes}u * (${of})`).join(" + ");
  return `/* Generated from src/core/contract/contract.ts by scripts/buildFirmware.mjs; do not edit. */
#ifndef OV_CONTRACT_H
#define OV_CONTRACT_H

#define OV_TABLE_VERSION ${TABLE_VERSION}
#define OV_MARK_0 ${hex(TABLE_MARK[0])}
#define OV_MARK_1 ${hex(TABLE_MARK[1])}
#define OV_NONE ${hex(NONE)}
#define OV_BANK_LINES ${BANK_LINES}

${defines("MOST_", LIMITS).join("\n")}

/* Places in the header. */
${defines("AT_", AT).join("\n")}
#define OV_HEADER_BYTES ${HEADER_BYTES}

${Object.entries(ENTRY_BYTES)
  .map(([name, bytes]) => `#define OV_${name}_BYTES ${bytes}`)
  .join("\n")}

${defines("SWITCH_", SWITCH_FLAG).join("\n")}
${defines("ENCODER_AT_", ENCODER_AT).join("\n")}

${actionDefines()}

${lightDefines()}

${sensorDefines()}

${segmentDefines()}

${displayDefines()}

${radioDefines()}

${linkDefines()}

${defines("SEND_", SENDING).join("\n")}

${reports.join("\n")}
#define OV_REPORT_KINDS ${Object.keys(REPORTS).length}
#define OV_EVERY_KEY_BYTES ${EVERY_KEY_BYTES}
#define OV_LONGEST_REPORT ${LONGEST_REPORT}
#define OV_REPORT_NAMES {${Object.keys(REPORTS)
    .map((name) => `"${name}"`)
    .join(", ")}}

${defines("START_", START).join("\n")}

#define OV_STEP_RUNS ${STEP_RUNS}
#define OV_EDGE_STEPS ${EDGE_STEPS}

/* Live changes: see src/core/contract/live.ts. */
${liveDefines()}

/* The board block of a finished image: see src/core/contract/board.ts. */
${boardDefines()}

/* Bytes of the arena; what each is for stands in src/core/contract/contract.ts. */
#define OV_ARENA_BYTES(${COUNTS.join(", ")}) (${need})

#endif
`;
}
