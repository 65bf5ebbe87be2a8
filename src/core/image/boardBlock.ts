import { isHid } from "../hid/interfaceKinds";
import { supplyAt } from "../power/solveSupply";
import {
  BANK_WHOLE_BYTES,
  BOARD_AT,
  BOARD_ENTRY_BYTES,
  BOARD_HEADER_BYTES,
  BOARD_MARK,
  BOARD_PART,
  BOARD_VERSION,
  busRate,
  type BoardField,
  LAMP_ON,
  halfOf,
  LEVEL_AT,
  REMOTE_BYTES_MOST,
  START_MODE,
  STROBE_FLAG,
} from "../contract/board";
import { LADDER_SETTLE_US } from "../circuits/ladder";
import { windowEdges } from "../circuits/ladderVoltage";
import { BANK_LINES, NONE, REPORTS } from "../contract/contract";
import { crc16 } from "../contract/crc16";
import { derive } from "../derived/derive";
import { linkEndId } from "../derived/linkEnds";
import { isModule } from "../document/partLinks";
import type { Design } from "../document/schema";
import { type Problem, type Result, bad, good } from "../document/problem";
import { endpointPlanOf, usbLayoutOf } from "../firmware/endpoints";
import { reportShapeOf } from "../firmware/reportShape";
import { moduleBusOf } from "../firmware/moduleBus";
import { edgeEncoders } from "../firmware/edgeEncoders";
import { bankCount, type ScanTable } from "../firmware/scanTable";
import { DESCRIPTOR } from "../hid/descriptorTypes";
import { reportNumber } from "../hid/endpointPlan";
import {
  configurationDescriptor,
  deviceDescriptor,
  hidDescriptor,
  hidGroup,
  languageDescriptor,
  reportDescriptor,
  stringDescriptor,
} from "../hid/usbDescriptors";
import { packetBytes } from "../hid/packetBytes";
import { ALWAYS_HIGH, type BlockPins, BoardLines, type LevelPlace } from "./boardLines";
import { addressesOf, chipsOf } from "../firmware/accessSets";
import { socketNets } from "../firmware/musicSocket";
import { twoWireBuses } from "../firmware/twoWireBuses";
import { identityOf } from "./identity";

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

/** Endpoint type and direction, and its size in one bank, as the chip's two configuration registers want them. */
const INTERRUPT_IN = 0xc1;
const BULK_IN = 0x81;
const configurationOf = (bytes: number, isBulk: boolean) => [
  isBulk ? BULK_IN : INTERRUPT_IN,
  (Math.log2(bytes / 8) << 4) | 0x02,
];

function strobeBytes(scan: ScanTable, lines: BoardLines): number[] {
  const sensed = new Set(scan.senseLines);
  return scan.strobeLines.flatMap((net) => [
    ...lines.pin(net, sensed.has(net) ? START_MODE.PULL_UP : START_MODE.FLOAT),
    sensed.has(net) ? STROBE_FLAG.PULL_UP : 0,
  ]);
}

/** Lines of registers, multiplexers and expanders mostly lie in order: the bank is then read as two bytes at once. */
function wholeBytes(own: LevelPlace[]): number[] | null {
  const inOrder = own.every(({ at, mask }, nth) => at === own[0].at + (nth >> 3) && mask === 1 << (nth & 7));
  if (!inOrder || own[0].at < LEVEL_AT.REMOTE || own[0].at & LEVEL_AT.INVERTED) return null;
  const second = own.length > 8 ? own[0].at + 1 : LEVEL_AT.ALWAYS_HIGH;
  return [BANK_WHOLE_BYTES | own.length, own[0].at, second];
}

function bankBytes(scan: ScanTable, lines: BoardLines): number[] {
  return Array.from({ length: bankCount(scan) }, (_, bank) => {
    const own = scan.senseLines.slice(bank * BANK_LINES, (bank + 1) * BANK_LINES).map((net) => lines.level(net));
    const whole = wholeBytes(own);
    if (whole) return [...whole, ...new Array<number>(BOARD_ENTRY_BYTES.BANK - whole.length).fill(0)];
    const all = Array.from({ length: BANK_LINES }, (_, nth) => own[nth] ?? ALWAYS_HIGH);
    return [own.length, ...all.flatMap(({ at, mask }) => [at, mask])];
  }).flat();
}

function lampBytes(scan: ScanTable, lines: BoardLines): { bytes: number[]; pairs: number } {
  let pairs = 0;
  const bytes = scan.lampLines.flatMap((net) => {
    const access = scan.access[net];
    const hz = scan.tones[net];
    if (!lines.isOwn(net)) return [LAMP_ON.NOTHING, 0, 0, 0, 0];
    if (hz) return [LAMP_ON.TONE, ...lines.pin(net, START_MODE.LOW), ...word(halfOf(hz))];
    if (!access) return [LAMP_ON.PIN_HIGH, ...lines.pin(net, START_MODE.LOW), 0, 0];
    if (access.by === "out-register") {
      const chain = lines.outRegisters.find((set) => set.lines.includes(access))!;
      return [LAMP_ON.REMOTE_LOW, chain.firstByte + Math.floor(access.bit / 8), 1 << (access.bit % 8), 0, 0];
    }
    if (access.by === "pair") {
      pairs++;
      return [LAMP_ON.PAIR, ...lines.pin(access.high, START_MODE.FLOAT), ...lines.pin(access.low, START_MODE.FLOAT)];
    }
    return [LAMP_ON.NOTHING, 0, 0, 0, 0];
  });
  return { bytes, pairs };
}

/** The pin of each chain of addressable lights. */
const lightBytes = (scan: ScanTable, lines: BoardLines): number[] =>
  scan.chains.flatMap(({ net }) => lines.pin(net, START_MODE.LOW));

/** Pins of select lines that an entry of a sensor has room for. */
const SELECTS = 4;

/** How each voltage is reached. */
const senseBytes = (scan: ScanTable, lines: BoardLines): number[] =>
  scan.sensors.flatMap((net) => {
    if (!lines.isOwn(net)) return new Array<number>(BOARD_ENTRY_BYTES.SENSE).fill(0);
    const access = scan.access[net];
    const through = access?.by === "voltage" ? access : null;
    const select = through?.select ?? [];
    const pins = select.flatMap((id) => lines.pin(id, START_MODE.LOW));
    const room = new Array<number>(2 * (SELECTS - select.length)).fill(0);
    return [lines.channel(through?.data ?? net), through?.channel ?? 0, select.length, ...pins, ...room];
  });

/** The pins of each chain of segment drivers. */
const segmentBytes = (scan: ScanTable, lines: BoardLines): number[] =>
  scan.segmentChains.flatMap(({ data, clock, select }) => [
    ...lines.pin(data, START_MODE.LOW),
    ...lines.pin(clock, START_MODE.LOW),
    ...lines.pin(select, START_MODE.HIGH),
  ]);

/** Address of each display of dots, of the bus multiplexer before it, and what that is told to reach it. */
const displayBytes = ({ displays }: ScanTable, lines: BoardLines): number[] =>
  displays.flatMap(({ scl, address, behind }) =>
    lines.isOwn(scl) ? [address, behind?.address ?? 0, behind ? 1 << behind.branch : 0] : [0, 0, 0],
  );

const ownBuses = (design: Design, scan: ScanTable, lines: BoardLines) =>
  twoWireBuses(design, scan).filter(({ scl }) => lines.isOwn(scl));

/** The two-wire bus of displays and expanders, and how fast it is. */
function busBytes(design: Design, scan: ScanTable, lines: BoardLines): number[] {
  const [first] = ownBuses(design, scan, lines);
  if (!first) return [];
  const pins = [first.scl, first.sda].flatMap((net) => lines.pin(net, START_MODE.FLOAT));
  return added(BOARD_PART.BUS, [...pins, busRate(first.khz)]);
}

/** One added part: its kind, its length, and what belongs to it. */
const added = (kind: number, bytes: number[]) => [kind, bytes.length, ...bytes];

function partBytes(design: Design, scan: ScanTable, lines: BoardLines): number[] {
  const inputs = lines.inRegisters.flatMap(({ lines: [{ clock, latch, data }], bytes, firstByte }) =>
    added(BOARD_PART.IN_REGISTERS, [
      ...lines.pin(clock, START_MODE.LOW),
      ...lines.pin(latch, START_MODE.HIGH),
      ...lines.pin(data, START_MODE.FLOAT),
      bytes,
      firstByte,
    ]),
  );
  const outputs = lines.outRegisters.flatMap(({ lines: [{ clock, latch, data, enable }], bytes, firstByte }) =>
    added(BOARD_PART.OUT_REGISTERS, [
      ...lines.pin(clock, START_MODE.LOW),
      ...lines.pin(latch, START_MODE.LOW),
      ...lines.pin(data, START_MODE.LOW),
      ...(enable === null ? [0, 0] : lines.pin(enable, START_MODE.HIGH)),
      bytes,
      firstByte,
    ]),
  );
  const more = [multiplexerBytes(lines), busBytes(design, scan, lines), expanderBytes(lines), ladderBytes(scan, lines)];
  return [...inputs, ...outputs, ...more.flat(), BOARD_PART.END];
}

const multiplexerBytes = (lines: BoardLines): number[] =>
  lines.multiplexers.flatMap(({ lines: channels, firstByte }) => {
    const { select } = channels[0];
    const chips = chipsOf(channels);
    const dataOf = (chip: number) => channels.find((line) => line.chip === chip)!.data;
    return added(BOARD_PART.MULTIPLEXERS, [
      select.length,
      ...select.flatMap((net) => lines.pin(net, START_MODE.LOW)),
      chips.length,
      firstByte,
      ...chips.flatMap((chip) => lines.pin(dataOf(chip), START_MODE.PULL_UP)),
    ]);
  });

const expanderBytes = (lines: BoardLines): number[] =>
  lines.expanders.flatMap(({ lines: own, firstByte }) => {
    const addresses = addressesOf(own);
    return added(BOARD_PART.EXPANDERS, [addresses.length, firstByte, ...addresses]);
  });

/** Each bank is a part of its own. */
const ladderBytes = (scan: ScanTable, lines: BoardLines): number[] =>
  scan.ladders.flatMap((bank, nth) => {
    if (!lines.isOwn(bank.line)) return [];
    const access = scan.access[bank.rungs[0]];
    const top = access.by === "rung" && access.top !== null ? lines.pin(access.top, START_MODE.FLOAT) : [0, 0];
    const places = [lines.channel(bank.line), LADDER_SETTLE_US, ...top, lines.ladderBytes[nth], bank.rungs.length];
    return added(BOARD_PART.LADDER, [...places, ...windowEdges(bank).flatMap(word)]);
  });

/** Encoders on pins that interrupt: each with its number and its two pins. */
const edgeBytes = (design: Design, scan: ScanTable, lines: BoardLines): number[][] =>
  edgeEncoders(design, scan).flatMap((number) => {
    const { lineA, lineB } = scan.encoders[number];
    const nets = [lineA, lineB].map((line) => scan.senseLines[line]);
    return nets.every((net) => lines.isOwn(net))
      ? [[number, ...nets.flatMap((net) => lines.pin(net, START_MODE.PULL_UP))]]
      : [];
  });

interface Described {
  type: number;
  index: number;
  forInterface: number;
  bytes: number[];
}

/** What the device asks the port for: its most, in mA; what has a source of its own asks for the usual. */
function portMa(design: Design): number | undefined {
  const { kind } = design.supply.source;
  return kind === "outside" || kind === "battery" ? undefined : supplyAt(design, "worst")?.sourceMa;
}

function described(design: Design): Described[] {
  const layout = usbLayoutOf(design);
  const shape = reportShapeOf(design);
  const identity = identityOf(design);
  const any = NONE;
  const texts = [languageDescriptor, stringDescriptor(identity.maker), stringDescriptor(identity.product)];
  return [
    { type: DESCRIPTOR.DEVICE, index: 0, forInterface: any, bytes: deviceDescriptor(identity, layout.serial !== null) },
    {
      type: DESCRIPTOR.CONFIGURATION,
      index: 0,
      forInterface: any,
      bytes: configurationDescriptor(layout, shape, portMa(design)),
    },
    ...texts.map((bytes, index) => ({ type: DESCRIPTOR.STRING, index, forInterface: any, bytes })),
    ...layout.plan.flatMap((group, forInterface) => {
      const kinds = hidGroup(group);
      if (!kinds) return [];
      return [
        { type: DESCRIPTOR.REPORT, index: 0, forInterface, bytes: reportDescriptor(kinds, shape) },
        { type: DESCRIPTOR.HID, index: 0, forInterface, bytes: hidDescriptor(kinds, shape) },
      ];
    }),
  ];
}

/** Each report: its endpoint and how that is set up, its interface, and the number in front of it. */
function reportEntries(design: Design): number[] {
  const shape = reportShapeOf(design);
  return endpointPlanOf(design).flatMap((group, number) =>
    group.flatMap((kind) => [
      REPORTS[kind].number,
      number + 1,
      ...configurationOf(packetBytes(group, shape), !isHid(kind)),
      isHid(kind) ? number : NONE,
      reportNumber(group, kind),
    ]),
  );
}

/** The descriptors' directory, whose places count from the block's start, and the descriptors behind it. */
function descriptorBytes(all: Described[], directoryAt: number): number[] {
  let place = directoryAt + BOARD_ENTRY_BYTES.DESCRIPTOR * all.length;
  const directory = all.flatMap(({ type, index, forInterface, bytes }) => {
    place += bytes.length;
    return [type, index, forInterface, ...word(bytes.length), ...word(place - bytes.length)];
  });
  return [...directory, ...all.flatMap(({ bytes }) => bytes)];
}

const CRC_BYTES = 2;

/** What the finished image cannot drive, or is missing. */
function problemsOf(design: Design, scan: ScanTable, lines: BoardLines): Problem[] {
  const buses = ownBuses(design, scan, lines).length;
  const inCircuits = (message: string): Problem[] => [{ path: "circuits", message }];
  if (buses > 1)
    return inCircuits(
      `has displays and expanders on ${buses} two-wire buses; the firmware drives one: put all of them on one bus`,
    );
  if (lines.problems.length > 0) return lines.problems;
  return lines.remoteBytes > REMOTE_BYTES_MOST
    ? inCircuits(
        `has ${lines.remoteBytes} bytes of lines on added parts; the firmware has room for ${REMOTE_BYTES_MOST}`,
      )
    : [];
}

type Put = (field: BoardField, ...values: number[]) => void;

/** What is counted of a device as a whole, whichever of its parts. */
function putCounts(design: Design, scan: ScanTable, put: Put): void {
  put("STROBES", scan.strobeLines.length);
  put("BANKS", bankCount(scan));
  put("LAMPS", scan.lampLines.length);
  const { endpoints, interfaces, serial, musicIn } = usbLayoutOf(design);
  put("REPORTS", design.reportSet.interfaces.length);
  put("ENDPOINTS", endpoints);
  put("INTERFACES", interfaces);
  put("MUSIC_IN", musicIn ?? 0);
  put("SERIAL", serial?.endpoint ?? 0, serial?.interface ?? 0);
}

/** What is counted of this part alone. */
function putOwn(part: number, edges: unknown[], calls: unknown[], put: Put): void {
  put("PART", part);
  put("EDGE_ENCODERS", edges.length);
  put("CALLS", calls.length);
}

/** Opens the serial line to the device's other part. */
function openLine(design: Design, part: number, lines: BoardLines): void {
  for (const { link, end, controller } of derive(design).linkEnds) {
    if (controller.id !== design.controllers[part]?.id || isModule(link)) continue;
    lines.transmitter(`${linkEndId(link, end)}.sends`);
    lines.receiver(`${linkEndId(link, end)}.receives`);
  }
}

/** Opens the two wires of modules on a bus. @returns the lines on which they call, as this part reads or pulls them */
function callEntries(design: Design, part: number, lines: BoardLines): number[][] {
  const bus = moduleBusOf(design, part);
  if (!bus) return [];
  for (const netId of [bus.clock, bus.data]) lines.pin(netId, START_MODE.FLOAT);
  const mode = part === 0 ? START_MODE.PULL_UP : START_MODE.FLOAT;
  return bus.calls.map(({ netId, mask }) => [...lines.pin(netId, mode), mask]);
}

/**
 * The board block of a design, or of one of its parts: its pins, added parts, endpoints and descriptors.
 * @param tables the device's tables, whose CRC it carries
 * @param pins how the controller's pins are named
 * @param part which of the design's controllers, from 0
 * @returns the bytes, or what the finished image cannot drive or is missing
 */
export function boardBlock(
  design: Design,
  scan: ScanTable,
  tables: Uint8Array,
  pins: BlockPins,
  part = 0,
): Result<Uint8Array> {
  const lines = new BoardLines(design, scan, pins, part);
  const strobes = strobeBytes(scan, lines);
  const banks = bankBytes(scan, lines);
  const lamps = lampBytes(scan, lines);
  const lights = lightBytes(scan, lines);
  const sensors = senseBytes(scan, lines);
  const segments = segmentBytes(scan, lines);
  const parts = partBytes(design, scan, lines);
  const edges = edgeBytes(design, scan, lines);
  for (const netId of socketNets(design)) lines.transmitter(netId);
  openLine(design, part, lines);
  const calls = callEntries(design, part, lines);
  const pairsFirst = lines.takeBytes(lamps.pairs);
  const problems = problemsOf(design, scan, lines);
  if (problems.length > 0) return bad(...problems);
  const start = [...lines.start.values()].flatMap(({ pin, mode }) => [...pin, mode]);
  const all = described(design);
  const sections: [BoardField, number[]][] = [
    ["START_TABLE", [...start, 0]],
    ["STROBE_TABLE", strobes],
    ["BANK_TABLE", banks],
    ["LAMP_TABLE", lamps.bytes],
    ["LIGHT_TABLE", lights],
    ["SENSE_TABLE", sensors],
    ["SEGMENT_TABLE", segments],
    ["DISPLAY_TABLE", displayBytes(scan, lines)],
    ["PART_TABLE", parts],
    ["REPORT_TABLE", reportEntries(design)],
    ["EDGE_TABLE", edges.flat()],
    ["CALL_TABLE", calls.flat()],
  ];
  const header = new Array<number>(BOARD_HEADER_BYTES).fill(0);
  const put: Put = (field, ...values) => void header.splice(BOARD_AT[field], values.length, ...values);
  let place = BOARD_HEADER_BYTES;
  for (const [field, bytes] of sections) {
    put(field, ...word(place));
    place += bytes.length;
  }
  put("DESCRIPTOR_TABLE", ...word(place));
  const descriptors = descriptorBytes(all, place);
  put("MARK", ...BOARD_MARK);
  put("VERSION", BOARD_VERSION);
  put("REMOTE_BYTES", lines.remoteBytes);
  put("LENGTH", ...word(place + descriptors.length + CRC_BYTES));
  put("TABLES_CRC", ...tables.slice(-CRC_BYTES));
  putCounts(design, scan, put);
  put("PAIRS", lamps.pairs);
  put("PAIRS_FIRST", pairsFirst);
  put("DESCRIPTORS", all.length);
  putOwn(part, edges, calls, put);
  const bytes = [...header, ...sections.flatMap(([, section]) => section), ...descriptors];
  return good(Uint8Array.from([...bytes, ...word(crc16(bytes))]));
}
