import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { AT, BANK_LINES } from "../contract/contract";
import { LINK, LINK_BUS } from "../contract/link";
import { lookOf } from "../document/lampLooks";
import type { Design } from "../document/schema";
import { accessSets, bitsOf, chipsOf } from "./accessSets";
import { linkBytesOf, ownOf } from "./link";
import { type PartScan, partScan } from "./partScan";
import { bankCount, type ScanTable } from "./scanTable";
import { tableBytes } from "./tables";

/** What one scan, in which nothing changes, costs an interpreter. */
export interface InterpreterWork {
  /** Instructions of the interpreter. */
  steps: number;
  /** Calls to pins, buses, converter and clock. */
  calls: number;
  /** Time on buses, which no interpreter shortens, in µs. */
  busUs: number;
}

/**
 * Instructions by what is read, fitted to counts of the runtime's own files under a desktop interpreter and held against
 * fresh counts of every circuit, within a thirtieth, by tests/firmware/pythonCost.test.ts.
 */
const STEPS = {
  scan: 390,
  live: 80,
  read: 45,
  strobedGroup: 86,
  restingGroup: 77,
  pinLine: 20,
  partLine: 18,
  encoder: 76,
  lamp: 70,
  /** More for one that is lit, runs or sounds in pulses. */
  pulsedLamp: 26,
  /** More for a lamp that shows a flag of the computer's. */
  toldLamp: 12,
  /** Addressable lights that show no new picture. */
  lights: 116,
  /** One voltage that is read, and each that may move something. */
  axes: 262,
  axis: 10,
  /** Segment displays, one of which is looked at. */
  segments: 145,
  /** Displays of dots that are drawn, one of which is looked at; and each that might wait. */
  displays: 218,
  display: 31,
  /** Asking what the computer told. */
  panel: 34,
  readPart: 13,
  registerBit: 19,
  channel: 22,
  select: 16,
  channelRead: 14,
  expander: 340,
  ladderBank: 70,
  poweredBank: 17,
  rung: 16,
  outChain: 13,
  pair: 27,
  /** Of a device of parts, in a scan in which a frame is told and one is heard: by their bytes, and what is looked through for them; of a module that it looks at its bus. */
  link: 600,
  looks: 220,
  toldSwitch: 9,
  toldState: 150,
  toldModule: 229,
  toldByte: 62,
  heardByte: 105,
} as const;

/** Reading one expander at 400 kbit/s: five bytes of nine bits, start, start again and stop. */
const EXPANDER_US = (5 * 9 + 3) * 2.5;

type Counts = Record<keyof typeof STEPS, number>;

/** Banks that are read in a scan, once for each time: those read with nothing driven, and one for each strobed group. */
function banksRead(scan: ScanTable, design: Design): number[] {
  const table = tableBytes(scan, design);
  const first = table[AT.BANK_TABLE] | (table[AT.BANK_TABLE + 1] << 8);
  const resting = Array.from({ length: bankCount(scan) }, (_, bank) => bank).filter((bank) => table[first + bank]);
  return [...resting, ...scan.groups.flatMap(({ strobe, bank }) => (strobe === null ? [] : [bank]))];
}

/** Lines of another part are read like those of an added part: nothing is asked of a pin. */
function linesRead(scan: PartScan, design: Design) {
  const { senseLines, access, isOwn } = scan;
  const banks = banksRead(scan, design);
  const nets = banks.flatMap((bank) => senseLines.slice(bank * BANK_LINES, (bank + 1) * BANK_LINES));
  const onPins = nets.filter((net) => isOwn(net) && (!access[net] || access[net].by === "held-pin")).length;
  return { read: banks.length, pinLine: onPins, partLine: nets.length - onPins };
}

function multiplexersRead({ access }: ScanTable) {
  const sum = { sets: 0, channel: 0, select: 0, channelRead: 0 };
  for (const set of accessSets(access, "channel", ({ select }) => select.join(" "))) {
    const lines = set.map(([, line]) => line);
    const channels = 1 << lines[0].select.length;
    sum.sets++;
    sum.channel += channels;
    sum.select += channels * lines[0].select.length;
    sum.channelRead += channels * chipsOf(lines).length;
  }
  return sum;
}

const NOTHING_TOLD = { link: 0, looks: 0, toldSwitch: 0, toldState: 0, toldModule: 0, toldByte: 0, heardByte: 0 };

/** What a part of several tells and hears; a base one of its modules, that which has most to say. */
function linkCounts(scan: PartScan, design: Design, part: number) {
  if (scan.parts.length === 0) return NOTHING_TOLD;
  const bytes = scan.parts.map((_, nth) => linkBytesOf(scan, design, nth));
  const others = bytes.filter((_, nth) => nth !== part);
  const heard = part === 0 ? Math.max(...others.map(({ far }) => far)) : bytes[0].host;
  return {
    link: 1,
    looks: scan.isOnBus && part > 0 ? 1 : 0,
    toldSwitch: ownOf(scan, part).switches,
    toldState: part === 0 ? 1 : 0,
    toldModule: scan.isOnBus && part === 0 ? others.length : 0,
    toldByte: part === 0 ? bytes[0].host : bytes[part].far,
    heardByte: heard + LINK.AROUND,
  };
}

function countsOf(scan: PartScan, design: Design, part: number): Counts & { chains: number; keyboard: number } {
  const { access, groups, ladders } = scan;
  const chains = accessSets(access, "in-register", ({ clock }) => clock);
  const bitsIn = chains.map((set) => Math.ceil(bitsOf(set.map(([, line]) => line)) / 8) * 8);
  const { sets, ...channels } = multiplexersRead(scan);
  const buses = accessSets(access, "expander", ({ scl, sda }) => `${scl} ${sda}`);
  const expanders = accessSets(access, "expander", ({ scl, address }) => `${scl} ${address}`);
  const strobed = groups.filter(({ strobe }) => strobe !== null).length;
  const rungs = accessSets(access, "rung", ({ line }) => line);
  const tops = new Set(rungs.flatMap((set) => set.map(([, { top }]) => top)).filter((top) => top !== null));
  return {
    scan: 1,
    keyboard: design.reportSet.interfaces.includes("keyboard") ? 1 : 0,
    live: design.reportSet.interfaces.includes("live") ? 1 : 0,
    ...linesRead(scan, design),
    ...channels,
    strobedGroup: strobed,
    restingGroup: groups.length - strobed,
    encoder: scan.encoders.length,
    lamp: scan.lamps.length,
    pulsedLamp: scan.lamps.filter(({ controlId }) => lookOf(design.keymap.looks, controlId).onMs > 0).length,
    toldLamp: Object.values(design.keymap.lamps).filter(({ when }) => when === "told").length,
    lights: scan.chains.length > 0 ? 1 : 0,
    axes: scan.sensors.length > 0 ? 1 : 0,
    axis: scan.sensors.length,
    segments: scan.segmentChains.length > 0 ? 1 : 0,
    displays: scan.displays.length > 0 ? 1 : 0,
    display: scan.displays.length,
    panel: design.reportSet.interfaces.includes("panel") ? 1 : 0,
    readPart: chains.length + sets + buses.length + rungs.length,
    registerBit: bitsIn.reduce((sum, bits) => sum + bits, 0),
    expander: expanders.length,
    ladderBank: ladders.length,
    poweredBank: tops.size,
    rung: rungs.flat().length,
    outChain: accessSets(access, "out-register", ({ clock }) => clock).length,
    pair: Object.values(access).filter(({ by }) => by === "pair").length,
    chains: chains.length,
    ...linkCounts(scan, design, part),
  };
}

/** What frames keep the line or the bus busy in a scan in which they are due, in µs: a board waits meanwhile. */
function linkUs(scan: PartScan, design: Design, part: number): number {
  if (scan.parts.length === 0) return 0;
  const { far, host } = linkBytesOf(scan, design, part);
  if (!scan.isOnBus) return (1000 * ((part === 0 ? host : far) + LINK.AROUND)) / LINK.BYTES_A_MS;
  const us = (bytes: number) => ((bytes + 1 + LINK.AROUND) * LINK_BUS.CLOCKS_A_BYTE * 1e6) / LINK_BUS.BITS_A_SECOND;
  if (part > 0) return us(far);
  const modules = scan.parts.slice(1).map((_, nth) => linkBytesOf(scan, design, nth + 1).far);
  return modules.length * us(host) + us(Math.max(...modules));
}

/**
 * The work of one scan of a design, or of one of its parts, in the Python runtime, while nothing changes.
 * @param part which of the design's controllers, from 0
 */
export function interpreterWork(design: Design, whole: ScanTable, part = 0): InterpreterWork {
  const scan = partScan(design, whole, part);
  const counts = countsOf(scan, design, part);
  const steps = Object.entries(STEPS).reduce((sum, [what, each]) => sum + each * counts[what as keyof Counts], 0);
  const settling = design.timing.settleUs > 0 ? 1 : 0;
  const calls =
    2 +
    counts.keyboard +
    counts.live +
    counts.axes +
    counts.panel +
    counts.pinLine +
    (2 + settling) * counts.strobedGroup +
    3 * counts.registerBit +
    2 * counts.chains +
    counts.channel +
    counts.select +
    counts.channelRead +
    counts.expander +
    counts.ladderBank +
    3 * counts.poweredBank +
    (counts.pair > 0 ? 2 : 0) +
    4 * counts.link +
    5 * counts.looks;
  return { steps, calls, busUs: EXPANDER_US * counts.expander + linkUs(scan, design, part) };
}

/** Clock cycles of a 32-bit core for an instruction of its interpreter, and for a call to a pin (both from memory). */
export const CYCLES_A_STEP = { least: 105, most: 265 };
export const CYCLES_A_CALL = { least: 400, most: 1060 };

/** What the person measured, or the range from memory. */
function cyclesOf({ timing: { interpreter } }: Design) {
  if (!interpreter) return { step: CYCLES_A_STEP, call: CYCLES_A_CALL };
  const exactly = (cycles: number) => ({ least: cycles, most: cycles });
  return { step: exactly(interpreter.cyclesAStep), call: exactly(interpreter.cyclesACall) };
}

export interface InterpreterScan {
  leastMs: number;
  mostMs: number;
  /** Whether it serves as a keyboard, is felt, or is too slow to be of use. */
  verdict: "good" | "slow" | "too-much";
}

/** Beyond it a press is felt as late, and above the second it can be missed (common practice). */
const FELT_MS = 10;
const USELESS_MS = 20;

/** What a scan of such a length is good for. */
export const scanVerdict = (leastMs: number, mostMs: number): InterpreterScan["verdict"] =>
  leastMs > USELESS_MS ? "too-much" : mostMs > FELT_MS ? "slow" : "good";

/**
 * How long one scan takes on a class with an interpreter: from the steps counted and what a step costs: as measured, or else
 * a range from memory, never one number.
 */
export function interpreterScan(
  design: Design,
  scan: ScanTable,
  { clockMhz }: ControllerProfile,
  part = 0,
): InterpreterScan {
  const { steps, calls, busUs } = interpreterWork(design, scan, part);
  const { step, call } = cyclesOf(design);
  const ms = (end: "least" | "most") => ((steps * step[end] + calls * call[end]) / clockMhz + busUs) / 1000;
  const [leastMs, mostMs] = [ms("least"), ms("most")];
  return { leastMs, mostMs, verdict: scanVerdict(leastMs, mostMs) };
}
