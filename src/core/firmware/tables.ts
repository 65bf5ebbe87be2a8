import {
  ACTION,
  AT,
  ENTRY_BYTES,
  glowBytes,
  HEADER_BYTES,
  type HeaderField,
  LIMITS,
  NONE,
  OPPOSITE,
  REPORTS,
  SWITCH_FLAG,
  TABLE_MARK,
  TABLE_VERSION,
} from "../contract/contract";
import { GLYPH_COLUMNS } from "../contract/displays";
import { RADIO_BYTES } from "../contract/radio";
import { crc16 } from "../contract/crc16";
import type { Design } from "../document/schema";
import { lookBytes, lookOf } from "../document/lampLooks";
import { isOnBus } from "../document/partLinks";
import type { LampRule } from "../document/lampRule";
import { actionOf } from "../bindings";
import { encodingContextOf } from "../keymap/encodingContext";
import { macroPlan, macroTable } from "../keymap/macroPlan";
import type { ActionEntry } from "../bindings/bindingKind";
import { axisUseBytes, curveBytes, sensorBytes } from "./axes";
import { chainBytes, glowTableBytes, glowsOf, lightBytes, lightsAScan, lightsOf } from "./lights";
import { displayStates, displayTables } from "./displays";
import { LISTENS_TO } from "../contract/panel";
import { notesHeard, takesLines } from "../hid/panelSettings";
import { hasSocket } from "./musicSocket";
import { radioBytes, radioTableBytes } from "./packet";
import { LINK_ON_BUS, PART_BYTES } from "../contract/link";
import { linkMost, partBytes } from "./link";
import { plugBits, plugTableBytes } from "./padPort";
import { reportShapeOf } from "./reportShape";
import {
  displaysOf,
  driversOf,
  segmentChainBytes,
  segmentStartBytes,
  segmentTableBytes,
  segmentUses,
  startCount,
} from "./segments";
import { bankCount, beyondCount, type ScanTable } from "./scanTable";
import { ruleBytes } from "./shownStates";
import { unlockSwitches } from "./unlock";
import { waitingOf } from "./waiting";

const OPPOSITE_CODE = {
  neither: OPPOSITE.NEITHER,
  last: OPPOSITE.LAST,
  first: OPPOSITE.FIRST,
  "one-side": OPPOSITE.ONE_SIDE,
} as const;

/** One part of the table block: the header, a table, or its CRC. */
export interface TablePart {
  at: HeaderField | "HEADER" | "CRC";
  bytes: number[];
  /** Bytes of one entry, for line breaks. */
  entryBytes: number;
}

interface BodySection extends TablePart {
  at: HeaderField;
}

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

function groupBytes(scan: ScanTable): number[] {
  return scan.groups.flatMap(({ strobe, bank, cells }) => [strobe ?? NONE, bank, ...cells.map((cell) => cell ?? NONE)]);
}

/** Pulsers are the encoders, then the switches that tell their change. */
function switchBytes({ settling, encoders }: ScanTable): number[] {
  let pulsers = encoders.length;
  return settling.flatMap(({ ms, school, flips }) => [
    ms | (school === "eager" ? SWITCH_FLAG.EAGER : 0) | (flips ? SWITCH_FLAG.FLIPS : 0),
    flips ? pulsers++ : NONE,
  ]);
}

/** What a lamp shows; nothing when nobody said. */
const lampRuleOf = ({ keymap }: Design, controlId: string): LampRule =>
  Object.hasOwn(keymap.lamps, controlId) ? keymap.lamps[controlId] : { when: "never" };

const lampBytes = (scan: ScanTable, design: Design): number[] =>
  scan.lamps.flatMap(({ controlId, line }) => [
    line,
    ...ruleBytes(scan, design, lampRuleOf(design, controlId)),
    ...lookBytes(lookOf(design.keymap.looks, controlId)),
  ]);

/** Entries of the action table, and the pool with the actions that are longer than one; equal ones stand there once. */
export function actionTable(entries: ActionEntry[]): { table: number[]; pool: number[] } {
  const pool: number[] = [];
  const places = new Map<string, number>();
  const placeOf = (bytes: number[]) => {
    const key = bytes.join(" ");
    if (!places.has(key)) {
      places.set(key, pool.length);
      pool.push(...bytes);
    }
    return places.get(key)!;
  };
  const table = entries.flatMap(({ kind, modifiers, value, more }) => {
    const short = [kind, modifiers, ...word(value)];
    return more ? [ACTION.LONG, 0, ...word(placeOf([...short, ...more]))] : short;
  });
  return { table, pool };
}

/** What every input does on every layer, layer by layer, input by input. */
export function actionEntries(scan: ScanTable, design: Design): ActionEntry[] {
  const context = encodingContextOf(design);
  return design.keymap.layers.flatMap((layer) =>
    scan.inputs.map((inputId) =>
      actionOf(Object.hasOwn(layer.bindings, inputId) ? layer.bindings[inputId] : undefined, context),
    ),
  );
}

function togetherBytes({ together }: ScanTable): number[] {
  return together.flatMap(({ windowMs, parts }) => {
    const room = new Array<number>(LIMITS.TOGETHER_PARTS - parts.length).fill(NONE);
    return [windowMs, parts.length, ...parts, ...room];
  });
}

const encoderBytes = ({ encoders }: ScanTable): number[] =>
  encoders.flatMap(({ lineA, lineB, statesPerStep, knob }) => [
    ...[lineA, lineB, statesPerStep],
    ...[knob.felt, knob.told, knob.fastMs, knob.fastTold, knob.top],
    ...(knob.controller ? [knob.controller.channel, knob.controller.controller] : [NONE, 0]),
  ]);

const oppositeBytes = ({ opposites }: ScanTable): number[] =>
  opposites.flatMap(({ first, second, counts }) => [first, second, OPPOSITE_CODE[counts]]);

function bankBytes(scan: ScanTable): number[] {
  const banks = new Array<number>(bankCount(scan)).fill(0);
  for (const group of scan.groups) if (group.strobe === null) banks[group.bank] = 1;
  for (const { lineA, lineB } of scan.encoders) banks[lineA >> 4] = banks[lineB >> 4] = 1;
  return banks;
}

const section = (at: HeaderField, bytes: number[], entryBytes: number): BodySection => ({
  at,
  bytes,
  entryBytes,
});

/** How voltages are read, and what comes of them. */
const axisSections = (scan: ScanTable, design: Design): BodySection[] => [
  section("SENSOR_TABLE", sensorBytes(scan, design), ENTRY_BYTES.SENSOR),
  section("CURVE_TABLE", curveBytes(scan, design), ENTRY_BYTES.CURVE),
  section("AXIS_USE_TABLE", axisUseBytes(scan, design), ENTRY_BYTES.AXIS_USE),
];

/** What segment displays show. */
function segmentSections(scan: ScanTable, design: Design): BodySection[] {
  const { uses, texts } = segmentUses(scan, design);
  return [
    section("SEGMENT_CHAIN_TABLE", segmentChainBytes(scan), 16),
    section("SEGMENT_START_TABLE", segmentStartBytes(scan), ENTRY_BYTES.SEGMENT_START),
    section("SEGMENT_TABLE", segmentTableBytes(scan), ENTRY_BYTES.SEGMENT),
    section("SEGMENT_USE_TABLE", uses, ENTRY_BYTES.SEGMENT_USE),
    section("SEGMENT_TEXTS", texts, 16),
  ];
}

/** What displays of dots show. */
function displaySections(scan: ScanTable, design: Design): BodySection[] {
  const { displays, uses, frames, pages, things, texts, glyphs, pictures } = displayTables(scan, design);
  return [
    section("DISPLAY_TABLE", displays, ENTRY_BYTES.DISPLAY),
    section("DISPLAY_USE_TABLE", uses, Math.max(1, scan.displays.length)),
    section("DISPLAY_FRAMES", frames, 16),
    section("DISPLAY_PAGES", pages, ENTRY_BYTES.DISPLAY_PAGE),
    section("DISPLAY_THINGS", things, ENTRY_BYTES.DISPLAY_THING),
    section("DISPLAY_TEXTS", texts, 16),
    section("DISPLAY_GLYPHS", glyphs, GLYPH_COLUMNS),
    section("DISPLAY_PICTURES", pictures, 16),
  ];
}

function bodySections(scan: ScanTable, design: Design): BodySection[] {
  const { table, pool } = actionTable(actionEntries(scan, design));
  return [
    section("GROUP_TABLE", groupBytes(scan), ENTRY_BYTES.GROUP),
    section("BANK_TABLE", bankBytes(scan), ENTRY_BYTES.BANK),
    section("SWITCH_TABLE", switchBytes(scan), 16),
    section("ENCODER_TABLE", encoderBytes(scan), ENTRY_BYTES.ENCODER),
    section("LAMP_TABLE", lampBytes(scan, design), ENTRY_BYTES.LAMP),
    section("CHAIN_TABLE", chainBytes(scan), ENTRY_BYTES.CHAIN),
    section("LIGHT_TABLE", lightBytes(scan, design), 16),
    section("GLOW_TABLE", glowTableBytes(scan, design), glowBytes(lightsOf(scan).length)),
    ...axisSections(scan, design),
    ...segmentSections(scan, design),
    ...displaySections(scan, design),
    section("RADIO_TABLE", radioTableBytes(scan, design), RADIO_BYTES),
    section("PLUG_TABLE", plugTableBytes(scan, design), 16),
    section("PART_TABLE", partBytes(scan), PART_BYTES),
    section("TOGETHER_TABLE", togetherBytes(scan), ENTRY_BYTES.TOGETHER),
    section("OPPOSITE_TABLE", oppositeBytes(scan), ENTRY_BYTES.OPPOSITE),
    section("MACRO_TABLE", macroTable(design), 16),
    section("ACTION_TABLE", table, ENTRY_BYTES.ACTION),
    section("ACTION_POOL", pool, 16),
  ];
}

/** Bit n for the report of number n that the device declares. */
const reportBits = ({ reportSet }: Design) =>
  reportSet.interfaces.reduce((bits, name) => bits | (1 << REPORTS[name].number), 0);

/** What live changes cannot change: a device and a design that agree in it differ in their actions only. */
const fixedHeader = (header: number[]) => [
  ...header.slice(AT.REPORTS, AT.LENGTH),
  ...header.slice(AT.SWITCHES, AT.UNLOCK_FIRST),
];
const fixedBody = (body: BodySection[]) =>
  body.filter(({ at }) => at !== "ACTION_TABLE" && at !== "ACTION_POOL").flatMap(({ bytes }) => bytes);

function headerBytes(scan: ScanTable, design: Design, body: BodySection[]): number[] {
  const bytes = new Array<number>(HEADER_BYTES).fill(0);
  const put = (field: HeaderField, ...values: number[]) => bytes.splice(AT[field], values.length, ...values);
  put("MARK", ...TABLE_MARK);
  put("VERSION", TABLE_VERSION);
  put("REPORTS", ...word(reportBits(design)));
  put("SWITCHES", scan.switches.length);
  put("ENCODERS", scan.encoders.length);
  put("LAMPS", scan.lamps.length);
  put("LAYERS", design.keymap.layers.length);
  put("GROUPS", scan.groups.length);
  put("BANKS", bankCount(scan));
  put("FLIPS", scan.settling.filter(({ flips }) => flips).length);
  put("TOGETHER", scan.together.length);
  put("OPPOSITES", scan.opposites.length);
  put("MACROS", macroPlan(design).played.length);
  put("WAITING", waitingOf(scan, design));
  const glows = glowsOf(design, scan).length;
  put("LIGHTS", lightsOf(scan).length);
  put("CHAINS", scan.chains.length);
  put("GLOWS", glows);
  put("LIGHTS_A_SCAN", lightsAScan(glows));
  const { buttons, hat, axes, axisBits, keyBytes } = reportShapeOf(design);
  put("SENSORS", scan.sensors.length);
  put("BEYONDS", beyondCount(scan));
  put("PAD_BUTTONS", buttons, hat ? 1 : 0, axes.length);
  put(
    "PAD_BOTH_SIDES",
    axes.reduce((bits, { bothSides }, nth) => bits | (bothSides ? 1 << nth : 0), 0),
  );
  put("PAD_AXIS_BITS", axisBits);
  put("KEY_BYTES", keyBytes);
  put("SEGMENT_DISPLAYS", displaysOf(scan).length, scan.segmentChains.length, driversOf(scan), startCount(scan));
  put("DISPLAYS", scan.displays.length, displayStates(scan, design));
  put("RADIO", radioBytes(scan, design), plugBits(design), hasSocket(design) ? 1 : 0);
  const heard = notesHeard(design);
  put("LISTENS", (takesLines(design) ? LISTENS_TO.LINES : 0) | (heard ? heard.channel + 1 : 0));
  if (heard) put("HEARD_NOTE", heard.note, heard.controller);
  put("PARTS", scan.parts.length | (isOnBus(design) ? LINK_ON_BUS : 0), linkMost(scan, design));
  put("SETTLE_US", design.timing.settleUs);
  put("PULSE_MS", design.timing.pulseMs);
  const unlock = unlockSwitches(scan, design);
  const numberOf = (nth: 0 | 1) => (unlock ? scan.switches.indexOf(unlock[nth]) : NONE);
  put("UNLOCK_FIRST", numberOf(0));
  put("UNLOCK_SECOND", numberOf(1));
  put("FIXED_CRC", ...word(crc16([...fixedHeader(bytes), ...fixedBody(body)])));
  let place = HEADER_BYTES;
  for (const section of body) {
    put(section.at, ...word(place));
    place += section.bytes.length;
  }
  put("LENGTH", ...word(place + CRC_BYTES));
  return bytes;
}

const CRC_BYTES = 2;

/** The device's tables in parts; joined they are what the firmware reads, on every target. */
export function tableParts(scan: ScanTable, design: Design): TablePart[] {
  const body = bodySections(scan, design);
  const all: TablePart[] = [{ at: "HEADER", bytes: headerBytes(scan, design, body), entryBytes: 16 }, ...body];
  const crc = word(crc16(all.flatMap(({ bytes }) => bytes)));
  const whole: TablePart[] = [...all, { at: "CRC", bytes: crc, entryBytes: CRC_BYTES }];
  return whole.filter(({ bytes }) => bytes.length > 0);
}

export const tableBytes = (scan: ScanTable, design: Design): Uint8Array =>
  Uint8Array.from(tableParts(scan, design).flatMap(({ bytes }) => bytes));
