import { LIMITS } from "../contract/contract";
import { PANEL } from "../contract/panel";
import { RADIO_FRAME_MOST } from "../contract/radio";
import { FRAME_BYTES } from "../contract/live";
import { musicEventWords, musicEventsOf } from "../hid/musicEvents";
import { between, text, whole, listOf, z } from "../schema";
import type { Control } from "../catalogue/kinds";
import type { Element } from "../catalogue/kinds/controlKind";
import { BATTERY, measuredPack } from "../derived/batteryValue";
import { kindOf } from "../catalogue/kinds";
import { derive } from "../derived/derive";
import { type Problem, type Result, bad, good } from "../document/problem";
import { isOnBus } from "../document/partLinks";
import type { Design } from "../document/schema";
import { overLimits } from "../firmware/capacity";
import { type ScanTable, scanTableOf } from "../firmware/scanTable";
import { patternWords } from "../keymap/segmentSigns";
import type { DeviceWatch, TimedReport } from "./device";
import type { PairedDevice } from "./pairedDevice";
import { deviceOf } from "./preparedDevice";
import { notesHeard, takesLines } from "../hid/panelSettings";
import { SocketReceiver } from "./socketReceiver";
import { heardOf } from "./hostMusic";
import type { SoundingNote } from "./musicHeard";
import { padPortOf } from "../firmware/padPort";
import { packetOf } from "../firmware/packetOf";
import { type Received, receiverOf } from "./packetReceiver";
import { DisplayGlass } from "./displayGlass";
import { HostStandIn } from "./hostText";
import { GOOD_LINE } from "./lineTrouble";
import { SegmentDrivers } from "./segmentDrivers";
import { movableEnds } from "./movable";
import { positionsOf } from "./positions";
import { bringInlineRuntime } from "./inlineRuntime";
import { languageIds } from "../languages/ids";
import { hostLanguage } from "../languages/languages";
import { listed } from "../words";
import { randomFrom } from "../optimisation/random";

/** Ten minutes of device time, so that one request ends soon. */
const LONGEST_MS = 600_000;

/** What happens to the line or bus between parts, where the computer's plug is, and to a module. */
const LINE_ACTIONS = ["line-cut", "line-joined", "line-damaged", "plug-in", "plug-out", "pull-off", "put-on"] as const;
const HAND_ACTIONS = ["press", "release", "turn", "set"] as const;
/** What the computer or the board does: takes no reports for a while, sleeps, resets the bus, scans late, loses its power, asks, tells, answers a radio; a console reads the pad port. */
const HOST_ACTIONS = [
  "busy",
  "ready",
  "sleep",
  "wake",
  "reset",
  "late",
  "power-cut",
  "ask",
  "tell",
  "line",
  "hear",
  "answer",
  "poll",
  ...LINE_ACTIONS,
] as const;

const eventSchema = z.strictObject({
  atMs: whole(0, LONGEST_MS),
  action: z.enum([...HAND_ACTIONS, ...HOST_ACTIONS]),
  /** Id or label of the control that a hand moves. */
  control: z.optional(text(1, 4000)),
  /** Which of its ends, by name ("up", "inner") or id; the first that can do it when left out. */
  end: z.optional(text(1, 100)),
  /** How far an axis is set from where it rests, in percent of its way: -100 to 100, of what rests at its end from 0 on. */
  percent: z.optional(between(-100, 100)),
  /** The position that a lever or a five-way is set to: "on", "middle", "left". */
  position: z.optional(text(1, 40)),
  /** Felt steps of a turn, clockwise when positive. */
  steps: z.optional(whole(-1000, 1000)),
  /** How fast the hand turns: a calm hand when left out. */
  turnsPerSecond: z.optional(between(0.1, 20)),
  /** By how much a scan is late, in ms. */
  ms: z.optional(whole(1, 200)),
  /** The frame of live changes that is asked, in hexadecimal; what is left out of it is 0. */
  frame: z.optional(text(2, 2 * FRAME_BYTES)),
  /** What the computer tells a panel, in hexadecimal: eight bytes of flags, then eight values; what is left out is 0. */
  told: z.optional(text(2, 2 * PANEL.BYTES)),
  /** A line of text that comes over the serial port: "value 2 200", "flag 3 1". */
  line: z.optional(text(1, 80)),
  /** What the computer plays, a message in hexadecimal: "903c7f". */
  heard: z.optional(text(4, 6)),
  /** Of a device of parts the one that the plug is put into, or the module that is pulled off or put on, from 1, the main one; and of how many bytes on the line one is damaged. */
  part: z.optional(whole(1, LIMITS.PARTS)),
  oneOf: z.optional(whole(1, 100_000)),
  /** What comes back on the acknowledgement of a radio's packet, in hexadecimal. */
  answer: z.optional(text(2, 2 * RADIO_FRAME_MOST)),
});
export type SimulationEvent = z.infer<typeof eventSchema>;

export const simulationSchema = z.strictObject({
  events: listOf(eventSchema, 20_000),
  untilMs: whole(0, LONGEST_MS),
  /** The keyboard language that the computer is set to; the design's when left out. */
  language: z.optional(z.enum(languageIds)),
  /** Longest bounce of a contact in ms, and the seed it is drawn from; no bounce when left out. */
  bounce: z.optional(z.strictObject({ mostMs: whole(0, 20), seed: z.int() })),
  /** By how many counts of the converter each reading of a voltage may be off, and the seed; exact when left out. */
  noise: z.optional(z.strictObject({ counts: between(0, 50), seed: z.int() })),
});
export type SimulationRequest = z.infer<typeof simulationSchema>;

/** A frame of live changes as it was answered. */
export interface TimedFrame {
  atMs: number;
  bytes: Uint8Array;
}

/** What a chain of addressable lights was sent, and when. */
export interface TimedLights {
  atMs: number;
  /** Its circuit. */
  chain: string;
  bytes: Uint8Array;
}

/** What a radio was handed, and what a receiver makes of it. */
export interface TimedPacket {
  atMs: number;
  bytes: Uint8Array;
  received: Received[];
}

export interface SimulationResult {
  reports: TimedReport[];
  packets: TimedPacket[];
  /** What a console read of the pad port, and when: a level for each bit, and two behind them. */
  polls: { atMs: number; levels: string }[];
  /** Bytes that left a socket for music, with the events that they complete, in words. */
  socket: { atMs: number; bytes: Uint8Array; events: string[] }[];
  /** Frames of live changes that the device answered. */
  answers: TimedFrame[];
  lights: TimedLights[];
  /** What a host set to that keyboard language would have typed. */
  text: string;
  /** Events of music in words, and notes that still sound at the end. */
  music: { atMs: number; words: string }[];
  sounding: SoundingNote[];
  /** What segment displays say at the end, and the rows of dots that displays show then ("#" lit, "." dark), by control id. */
  segments: Record<string, string>;
  displays: Record<string, string[]>;
}

const isHostEvent = ({ action }: SimulationEvent) => HOST_ACTIONS.some((one) => one === action);

function findControl(design: Design, name: string): Control | undefined {
  return derive(design).controls.get(name) ?? design.controls.find((control) => control.label === name);
}

/** The element of a control that an event moves, or why there is none. */
function movedElement(design: Design, event: SimulationEvent): Element | string {
  if (event.control === undefined) return `name the control to ${event.action}`;
  const control = findControl(design, event.control);
  if (!control) return `the design has no control "${event.control}"`;
  const elements = kindOf(control).elements(control);
  const isTurn = event.action === "turn";
  const able = elements.filter(({ kind }) => kind === (isTurn ? "quadrature" : "switch"));
  if (able.length === 0) return `${control.label} ${isTurn ? "cannot be turned" : "has nothing to press"}`;
  const found = event.end === undefined ? able[0] : able.find(({ id, end }) => id === event.end || end === event.end);
  const ends = able.map(({ end }) => `"${end}"`);
  return (
    found ?? `${control.label} has no end "${event.end}" to ${isTurn ? "turn" : "press"}; there is ${listed(ends)}`
  );
}

/** A battery that is measured is set by this name: percent of the way from its cut-off to its full voltage. */
const BATTERY_NAME = "battery";

/** The axis of a control that is set, or why there is none. */
function axisSet(
  design: Design,
  { control: name, end }: SimulationEvent,
): Pick<Element, "id"> | { field: string; message: string } {
  if (name === undefined) return { field: "control", message: "name the control to set" };
  const control = findControl(design, name);
  if (!control && name === BATTERY_NAME && measuredPack(design)) return { id: BATTERY };
  if (!control) return { field: "control", message: `the design has no control "${name}"` };
  const axes = kindOf(control)
    .elements(control)
    .filter(({ kind }) => kind === "analog");
  if (axes.length === 0) return { field: "control", message: `${control.label} has no axis to be set` };
  const found = end === undefined ? axes[0] : axes.find((axis) => axis.id === end || axis.end === end);
  const ends = listed(axes.map((axis) => `"${axis.end}"`));
  return found ?? { field: "end", message: `${control.label} has no axis "${end}"; there is ${ends}` };
}

/** Why a control cannot be set to a position, or null. */
function setProblem(design: Design, { control: name, position }: SimulationEvent) {
  if (name === undefined) return { field: "control", message: "name the control to set" };
  const control = findControl(design, name);
  if (!control) return { field: "control", message: `the design has no control "${name}"` };
  const positions = positionsOf(control);
  if (!positions) return { field: "control", message: `${control.label} has no positions to be set to` };
  if (position !== undefined && positions.has(position)) return null;
  const there = listed([...positions.keys()].map((one) => `"${one}"`));
  const words = position === undefined ? "needs a position" : `has no position "${position}"`;
  return { field: "position", message: `${control.label} ${words}; there is ${there}` };
}

function problemsOf(design: Design, events: SimulationEvent[]): Problem[] {
  const over = overLimits(scanTableOf(design), design);
  return [
    ...over.map((message) => ({ path: "design", message: `has ${message}` })),
    ...events.flatMap((event, at) => {
      if (event.action === "ask" && !isFrame(event.frame)) return [{ path: `events.${at}.frame`, message: NO_FRAME }];
      const told = (isOfLine(event) ? lineOfParts : TOLD_PROBLEMS[event.action])?.(design, event, at);
      if (told) return told;
      if (event.action === "set") {
        const axis = event.percent === undefined ? null : axisSet(design, event);
        const problem = axis ? ("field" in axis ? axis : null) : setProblem(design, event);
        return problem ? [{ path: `events.${at}.${problem.field}`, message: problem.message }] : [];
      }
      const moved = isHostEvent(event) ? null : movedElement(design, event);
      if (typeof moved !== "string") return [];
      return [{ path: `events.${at}.${moved.includes(" end ") ? "end" : "control"}`, message: moved }];
    }),
  ];
}

/** What can be wrong with what reaches the device from outside, where that is not a hand. */
const TOLD_PROBLEMS: Partial<
  Record<SimulationEvent["action"], (design: Design, event: SimulationEvent, at: number) => Problem[]>
> = {
  answer: (design, { answer }, at) => answerProblems(design, answer, at),
  poll: (design, _, at) => (padPortOf(design) ? [] : [{ path: `events.${at}.action`, message: NO_PORT }]),
  tell: (design, { told }, at) => tellProblems(design, told, at),
  line: (design, { line }, at) => lineProblems(design, line, at),
  hear: (design, { heard }, at) => heardProblems(design, heard, at),
};

function heardProblems(design: Design, heard: string | undefined, at: number): Problem[] {
  if (!notesHeard(design)) return [{ path: `events.${at}.action`, message: "the device hears no notes" }];
  return /^[89a-e][0-9a-f]([0-7][0-9a-f]){1,2}$/i.test(heard ?? "")
    ? []
    : [{ path: `events.${at}.heard`, message: "give a message as hexadecimal, like: 903c7f" }];
}

function tellProblems({ reportSet }: Design, told: string | undefined, at: number): Problem[] {
  if (!reportSet.interfaces.includes("panel"))
    return [{ path: `events.${at}.action`, message: "the device has no panel that the computer tells" }];
  return isFrame(told) ? [] : [{ path: `events.${at}.told`, message: NO_TOLD }];
}

function lineProblems(design: Design, line: string | undefined, at: number): Problem[] {
  if (!takesLines(design)) return [{ path: `events.${at}.action`, message: "the device takes no lines of text" }];
  return line === undefined ? [{ path: `events.${at}.line`, message: "give the line, like: value 2 200" }] : [];
}

function answerProblems(design: Design, answer: string | undefined, at: number): Problem[] {
  if (!packetOf(design)) return [{ path: `events.${at}.action`, message: "the device has no radio that is answered" }];
  return isFrame(answer) ? [] : [{ path: `events.${at}.answer`, message: NO_ANSWER }];
}

function lineOfParts(design: Design, { action, part = 1 }: SimulationEvent, at: number): Problem[] {
  const { length } = design.controllers;
  const isBus = isOnBus(design);
  const wrong = (field: string, message: string) => [{ path: `events.${at}.${field}`, message }];
  if (length < 2) return wrong("action", ONE_PART);
  if (action === "pull-off" || action === "put-on") {
    if (!isBus) return wrong("action", "the device has no modules on a bus that can be pulled off");
    return part < 2 || part > length ? wrong("part", `name a module: its parts 2 to ${length} are some`) : [];
  }
  if (action === "plug-in" && part > length) return wrong("part", `the device has ${length} parts`);
  return action === "plug-in" && isBus && part > 1 ? wrong("part", "modules on a bus have no plug: only part 1") : [];
}

const isOfLine = ({ action }: SimulationEvent) => LINE_ACTIONS.some((one) => one === action);

const ONE_PART = "the device has one controller, and no line between parts";
const NO_ANSWER = "give what comes back in hexadecimal, two digits a byte";
const NO_PORT = "the device has no pad port that a console reads";
const NO_TOLD = "give what is told in hexadecimal, two digits a byte";
const NO_FRAME = "give the frame to ask in hexadecimal, two digits a byte";
const isFrame = (hex: string | undefined) => hex !== undefined && /^([0-9a-f]{2})+$/i.test(hex);
const frameOf = (hex: string) => Uint8Array.from(hex.match(/../g) ?? [], (byte) => parseInt(byte, 16));

/** What the computer and the board do, each in its way. */
const HOST_DEEDS: Record<(typeof HOST_ACTIONS)[number], (device: PairedDevice, event: SimulationEvent) => unknown> = {
  reset: (device) => device.hostReset(),
  late: (device, { ms = 1 }) => device.late(ms),
  "power-cut": (device) => device.powerCut(),
  ask: (device, { frame = "" }) => device.ask(frameOf(frame)),
  answer: (device, { answer = "" }) => device.radioAnswered(frameOf(answer)),
  poll: (device) => device.readPlug(),
  tell: (device, { told = "" }) => device.tell(frameOf(told)),
  line: (device, { line = "" }) => device.sayLine(line),
  hear: (device, { heard = "" }) => device.hear(frameOf(heard)),
  "line-cut": (device) => device.setLine({ isCut: true, oneDamagedOf: 0 }),
  "line-joined": (device) => device.setLine(GOOD_LINE),
  "line-damaged": (device, { oneOf = 100 }) => device.setLine({ isCut: false, oneDamagedOf: oneOf }),
  "plug-in": (device, { part = 1 }) => device.plugInto(part - 1),
  "plug-out": (device) => device.plugInto(null),
  "pull-off": (device, { part = 2 }) => device.setAway(part - 1, true),
  "put-on": (device, { part = 2 }) => device.setAway(part - 1, false),
  busy: (device) => device.hostBusy(true),
  ready: (device) => device.hostBusy(false),
  sleep: (device) => device.hostSleeps(true),
  wake: (device) => device.hostSleeps(false),
};

function order(device: PairedDevice, design: Design, event: SimulationEvent) {
  const deed = Object.hasOwn(HOST_DEEDS, event.action)
    ? HOST_DEEDS[event.action as (typeof HOST_ACTIONS)[number]]
    : null;
  if (deed) return void deed(device, event);
  if (event.action === "set" && event.percent !== undefined)
    return void device.move((axisSet(design, event) as Pick<Element, "id">).id, event.percent / 100);
  if (event.action === "set") return setTo(device, design, event);
  const element = movedElement(design, event) as Element;
  if (event.action === "turn") device.turn(element.id, event.steps ?? 1, event.turnsPerSecond);
  else device.press(element.id, event.action === "press", event.atMs);
}

/** The contacts of a position close, all others of the control open. */
function setTo(device: PairedDevice, design: Design, { control: name = "", position = "", atMs }: SimulationEvent) {
  const control = findControl(design, name)!;
  const closed = positionsOf(control)!.get(position)!;
  for (const { id } of movableEnds(control)) device.press(id, closed.includes(id), atMs);
}

/** What shows digits and dots. */
interface Shown {
  chains: SegmentDrivers[];
  glasses: DisplayGlass[];
}

const shownBy = ({ segmentChains, displays }: ScanTable): Shown => ({
  chains: segmentChains.map((chain) => new SegmentDrivers(chain)),
  glasses: displays.map((display) => new DisplayGlass(display)),
});

const wordsOf = ({ chains, glasses }: Shown): Pick<SimulationResult, "segments" | "displays"> => ({
  segments: Object.fromEntries(
    chains.flatMap((chain) => chain.shown().map(([id, patterns]) => [id, patternWords(patterns)])),
  ),
  displays: Object.fromEntries(glasses.map((glass) => [glass.display.controlId, glass.rows()])),
});

/** What leaves the device by no bus: what a radio is handed, with what its receiver makes of it, what a console reads, and what leaves a socket. */
function heardOutside(design: Design, watch: DeviceWatch) {
  const packets: TimedPacket[] = [];
  const polls: SimulationResult["polls"] = [];
  const socket: SimulationResult["socket"] = [];
  const receiver = receiverOf(design);
  const instrument = new SocketReceiver();
  const told = {
    din(atMs: number, bytes: Uint8Array) {
      socket.push({ atMs, bytes, events: instrument.take(bytes).map(musicEventWords) });
      watch.din?.(atMs, bytes);
    },
    plug(atMs: number, levels: boolean[]) {
      polls.push({ atMs, levels: levels.map(Number).join("") });
      watch.plug?.(atMs, levels);
    },
    radio(atMs: number, bytes: Uint8Array) {
      packets.push({ atMs, bytes, received: receiver?.take(bytes) ?? [] });
      watch.radio?.(atMs, bytes);
    },
  };
  return { told, heard: { packets, polls, socket } };
}

const musicIn = (reports: TimedReport[]): SimulationResult["music"] =>
  reports
    .filter((report) => report.interface === "music")
    .flatMap(({ atMs, bytes }) => musicEventsOf(bytes).map((event) => ({ atMs, words: musicEventWords(event) })));

/** Events are ordered when their time comes, so that a later order for a contact can cancel the rest of an earlier bounce. */
function run(device: PairedDevice, design: Design, { events, untilMs }: SimulationRequest) {
  for (const event of [...events].sort((a, b) => a.atMs - b.atMs)) {
    device.runUntil(Math.min(event.atMs, untilMs));
    if (event.atMs < untilMs) order(device, design, event);
  }
  device.runUntil(untilMs);
}

/**
 * Runs the firmware on a design's own circuits from 0 to `untilMs`.
 * @param watch told of everything on the way, for recordings
 * @returns reports with their milliseconds and the typed text, or problems with the events
 */
export function simulate(
  design: Design,
  request: SimulationRequest,
  watch: DeviceWatch = {},
): Result<SimulationResult> {
  const problems = problemsOf(design, request.events);
  if (problems.length > 0) return bad(...problems);
  const reports: TimedReport[] = [];
  const answers: TimedFrame[] = [];
  const lights: TimedLights[] = [];
  const { told, heard } = heardOutside(design, watch);
  const host = new HostStandIn(hostLanguage(request.language ?? design.keymap.hostLanguage), heardOf);
  const { bounce, noise } = request;
  bringInlineRuntime();
  let shown: Shown | null = null;
  const device = deviceOf(
    design,
    {
      ...watch,
      report(report) {
        reports.push(report);
        watch.report?.(report);
        host.receive(report);
        device.hostLocks(host.locks);
      },
      ...told,
      lights(atMs, chain, bytes) {
        lights.push({ atMs, chain: device.scan.chains[chain].circuitId, bytes });
        watch.lights?.(atMs, chain, bytes);
      },
      segments(atMs, chain, bytes) {
        shown?.chains[chain].take(bytes);
        watch.segments?.(atMs, chain, bytes);
      },
      display(atMs, display, bytes) {
        shown?.glasses[display].take(bytes);
        watch.display?.(atMs, display, bytes);
      },
      answered(atMs, bytes) {
        answers.push({ atMs, bytes });
        watch.answered?.(atMs, bytes);
      },
    },
    bounce ? { mostMs: bounce.mostMs, random: randomFrom(bounce.seed) } : null,
    undefined,
    noise ? { counts: noise.counts, random: randomFrom(noise.seed) } : null,
  );
  shown = shownBy(device.scan);
  run(device, design, request);
  return good({
    reports,
    ...heard,
    answers,
    lights,
    text: host.text,
    music: musicIn(reports),
    sounding: host.heard.sounding,
    ...wordsOf(shown),
  });
}
