import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { Device, type TimedReport } from "@/core/engine/device";
import type { coloursOfChain } from "@/core/engine/lightColours";
import { panelBytes } from "@/core/hid/panelSettings";
import type { heardOf } from "@/core/engine/hostMusic";
import { DeviceEnd } from "./cable";
import type { RadioLink } from "@/core/engine/radioLink";
import type { PairedDevice } from "@/core/engine/pairedDevice";
import type { SocketEar } from "@/core/engine/socketHeard";
import type { DisplayGlass } from "@/core/engine/displayGlass";
import type { SegmentDrivers } from "@/core/engine/segmentDrivers";
import { HostStandIn } from "@/core/engine/hostText";
import type { Loaded } from "@/core/engine/preparedDevice";
import type { HostLanguage } from "@/core/languages/hostLanguage";
import { usEnglish } from "@/core/languages/usEnglish";
import { randomFrom } from "@/core/optimisation/random";
import { type Change, type SessionState, emptySession, useSession } from "./sessionState";

const set = useSession.setState;
const get = useSession.getState;

const KEPT_MS = 6000;
const KEPT_REPORTS = 200;
const LONGEST_FRAME_MS = 100;
/** What a reading of a voltage is off by at most, with long leads and no capacitor (common practice). */
const NOISE_COUNTS = 3;
const BOUNCE_MS = 4;

/** What a frame gathered before it is shown. */
interface Log {
  contacts: Change[];
  reports: TimedReport[];
  lamps: Change[];
  /** What each chain was told last. */
  lights: Map<number, Uint8Array>;
  /** Whether a segment driver was told something. */
  segments: boolean;
  /** Displays that were told something. */
  displays: Set<number>;
}

let device: Device | null = null;
let language = usEnglish;
/** What few devices need beside. */
export interface Extras {
  hear: typeof heardOf | null;
  Drivers: typeof SegmentDrivers | null;
  Glass: typeof DisplayGlass | null;
  Link: typeof RadioLink | null;
  Ear: typeof SocketEar | null;
  Pair: typeof PairedDevice | null;
  colours: typeof coloursOfChain | null;
}

let host = new HostStandIn();
let extras: Extras = { hear: null, Drivers: null, Glass: null, Link: null, Ear: null, Pair: null, colours: null };
let design: Design | null = null;
/** What the device is loaded with: the same whether its diodes are there or not. */
let tables: Uint8Array = new Uint8Array();
/** What it is made of, and without its diodes. */
let made: Pick<Loaded, "parts" | "withoutDiodes"> | null = null;
let plugEveryMs = 0;
let frame = 0;
const emptyLog = (): Log => ({
  contacts: [],
  reports: [],
  lamps: [],
  lights: new Map(),
  segments: false,
  displays: new Set(),
});
let log = emptyLog();
let closedSwitches = new Set<string>();
/** The drivers of segment displays, chain by chain. */
let drivers: SegmentDrivers[] = [];
/** What displays of dots show, by their number. */
let glasses: DisplayGlass[] = [];
/** The air behind a radio, and what came back through it since the last scan. */
let link: RadioLink | null = null;
let cameBack: Uint8Array | null = null;
/** Windows that stand in for its computer. */
let cable: DeviceEnd | null = null;
/** What hangs on a socket for music. */
let ear: SocketEar | null = null;
/** Lamps that are on now: dimmed ones only for some of eight milliseconds. */
let lampsOn = new Set<string>();

/** Powers the device: from the design as it is, at time 0. */
export function startDevice(next: Design, computer: HostLanguage, loaded: Loaded, more: Extras): void {
  extras = more;
  design = next;
  tables = loaded.tables;
  made = loaded;
  language = computer;
  cancelAnimationFrame(frame);
  const { tooMuch } = loaded;
  if (tooMuch !== null) {
    stopDevice();
    return set({ ...emptySession, refusal: `This design cannot be tried: it has ${tooMuch}.` });
  }
  power();
  set({ running: true, refusal: null });
  last = performance.now();
  owedMs = heldUntil = 0;
  frame = requestAnimationFrame(tick);
}

export function stopDevice(): void {
  cancelAnimationFrame(frame);
  device = null;
  cable?.unplug();
  set({ running: false });
}

/** Powers it anew, with what it is set to now. */
export function powerAnew(computer = language): void {
  language = computer;
  power();
}

export function forgetText(): void {
  host.text = "";
  host.deeds.length = 0;
  set({ text: "", deeds: [] });
}

function power() {
  if (!design || !made) return;
  const { bounce, withoutDiodes, noisy } = get();
  host = new HostStandIn(language, extras.hear);
  cable ??= new DeviceEnd();
  cable.plug(design, get().language ?? design.keymap.hostLanguage);
  log = emptyLog();
  closedSwitches = new Set();
  lampsOn = new Set();
  const parts = withoutDiodes ? made.withoutDiodes : made.parts;
  plugEveryMs = parts.plug?.everyMs ?? 0;
  device = new (extras.Pair ?? Device)(
    design,
    tables,
    parts,
    {
      contact: (atMs, id, on) => log.contacts.push({ atMs, id, on }),
      lamp: (atMs, line, on) => log.lamps.push({ atMs, id: device!.scan.lamps[line].controlId, on }),
      lights: (_, chain, bytes) => log.lights.set(chain, bytes),
      radio(atMs, bytes) {
        const { air, told } = get();
        cameBack = link?.send(atMs, bytes, air, [...panelBytes(told.flags, told.values)]) ?? null;
      },
      din: (atMs, bytes) => ear?.take(atMs, bytes),
      display(_, display, bytes) {
        glasses[display]?.take(bytes);
        log.displays.add(display);
      },
      segments(_, chain, bytes) {
        drivers[chain]?.take(bytes);
        log.segments = true;
      },
      report(report) {
        log.reports.push(report);
        host.receive(report);
        device?.hostLocks(host.locks);
      },
    },
    bounce ? { mostMs: BOUNCE_MS, random: randomFrom(1) } : null,
    undefined,
    noisy ? { counts: NOISE_COUNTS, random: randomFrom(2) } : null,
  );
  const { Drivers, Glass, Link, Ear } = extras;
  ear = Ear && new Ear();
  link = Link?.of(design, randomFrom(1)) ?? null;
  cameBack = null;
  glasses = Glass ? device.scan.displays.map((display) => new Glass(display)) : [];
  drivers = Drivers ? device.scan.segmentChains.map((chain) => new Drivers(chain)) : [];
  pressedAt.clear();
  lastHandMs = 0;
  const { inputs, sensors } = device.scan;
  set({ ...emptySession, seen: { hasInputs: inputs.length > 0, sensors } });
}

let last = 0;
/** Time that has passed on the screen and not yet on the device: frames last no whole milliseconds. */
let owedMs = 0;

/** Until then no frame passes: what is told in each frame would hold up a page that is just coming, which React does between other things. */
let heldUntil = 0;
export function holdFrames(ms: number): void {
  heldUntil = performance.now() + ms;
}

function tick(now: number) {
  if (now < heldUntil) {
    last = now;
    frame = requestAnimationFrame(tick);
    return;
  }
  owedMs = Math.min(LONGEST_FRAME_MS, owedMs + Math.max(0, now - last));
  last = now;
  const whole = Math.floor(owedMs);
  owedMs -= whole;
  if (device && whole > 0) advance(device, whole);
  frame = requestAnimationFrame(tick);
}

function advance(running: Device, ms: number) {
  const debounced: Change[] = [];
  const layers: Change[] = [];
  const active = new Set(get().activeLayers);
  let plug: boolean[] | null = null;
  const layerCount = design!.keymap.layers.length;
  for (let left = ms; left > 0; left--) {
    const atMs = running.nowMs;
    running.step();
    if (cameBack) running.radioAnswered(cameBack);
    cameBack = null;
    if (plugEveryMs > 0 && running.nowMs % plugEveryMs === 0) plug = running.readPlug();
    for (const id of running.scan.switches) watchSwitch(running, id, atMs, debounced);
    for (let layer = 0; layer < layerCount; layer++) {
      const on = running.layerActive(layer);
      if (on === active.has(layer)) continue;
      layers.push({ atMs, id: String(layer), on });
      if (on) active.add(layer);
      else active.delete(layer);
    }
  }
  show(running, debounced, layers, active);
  if (plug && String(plug) !== String(get().plug)) set({ plug });
}

function watchSwitch(running: Device, id: string, atMs: number, changes: Change[]) {
  const on = running.debounced(id);
  if (on === closedSwitches.has(id)) return;
  changes.push({ atMs, id, on });
  if (on) closedSwitches.add(id);
  else closedSwitches.delete(id);
}

function show(running: Device, debounced: Change[], layers: Change[], active: Set<number>) {
  const state = get();
  const from = running.nowMs - KEPT_MS;
  const recent = (kept: Change[], more: Change[]) =>
    more.length === 0 && (kept.length === 0 || kept[0].atMs >= from - KEPT_MS)
      ? kept
      : [...kept, ...more].filter((change) => change.atMs >= from);
  const next: Partial<SessionState> = { nowMs: running.nowMs };
  next.contacts = recent(state.contacts, log.contacts);
  next.debounced = recent(state.debounced, debounced);
  next.layers = recent(state.layers, layers);
  if (layers.length > 0) next.activeLayers = [...active].sort((a, b) => a - b);
  if (log.reports.length > 0) {
    cable?.send(log.reports);
    next.reports = [...state.reports, ...log.reports].slice(-KEPT_REPORTS);
    next.text = host.text;
    next.deeds = host.deeds.slice(-KEPT_REPORTS);
    next.pointing = host.pointing;
    next.heard = host.heard;
  }
  if (link && link.heard !== state.radio) next.radio = link.heard;
  if (ear && ear.now.bytes.length > 0 && ear.now !== state.socket) next.socket = ear.now;
  next.asleep = running.isAsleep;
  const line = { ...state.line, ...inParts(running)?.seen };
  if (JSON.stringify(line) !== JSON.stringify(state.line)) next.line = line;
  next.lit = litIn(log.lamps, state.lit);
  if (log.lights.size > 0) next.glows = glowsAfter(running, state.glows);
  if (log.segments) next.digits = Object.fromEntries(drivers.flatMap((chain) => chain.shown()));
  if (log.displays.size > 0) next.glasses = glassesAfter(state.glasses);
  log = emptyLog();
  set(next);
}

/** Paths of those that were told something; the others stay as they are. */
const glassesAfter = (before: Record<string, string>): Record<string, string> => ({
  ...before,
  ...Object.fromEntries(
    [...log.displays].flatMap((nth) => (glasses[nth] ? [[glasses[nth].display.controlId, glasses[nth].path()]] : [])),
  ),
});

function glowsAfter({ scan }: Device, glows: Record<string, string>): Record<string, string> {
  const now = new Map(Object.entries(glows));
  for (const [chain, bytes] of log.lights)
    for (const [id, colour] of extras.colours?.(design!, scan.chains[chain], bytes) ?? []) {
      if (colour === null) now.delete(id);
      else now.set(id, colour);
    }
  return Object.fromEntries(now);
}

/** What an eye sees lit: what was on at any time of a frame. The same list while nothing changes. */
function litIn(changes: Change[], before: string[]): string[] {
  const seen = new Set(lampsOn);
  for (const { id, on } of changes) {
    if (on) lampsOn.add(id);
    else lampsOn.delete(id);
    if (on) seen.add(id);
  }
  const isSame = seen.size === before.length && before.every((id) => seen.has(id));
  return isSame ? before : [...seen];
}

/** A tap can be shorter than a frame of the screen; a finger is never this quick, so a press lasts this long at least. */
const SHORTEST_PRESS_MS = 30;
const pressedAt = new Map<string, number>();

/**
 * Presses that the screen tells of in one breath (all that came while a page was busy) still come one after the
 * other: at the same millisecond the device would take them in the order of its wires, not of the hand.
 */
const PRESSES_APART_MS = 10;
let lastHandMs = 0;

function momentOfHand(nowMs: number, elementId: string, pressed: boolean): number {
  const soonest = pressed ? lastHandMs + PRESSES_APART_MS : (pressedAt.get(elementId) ?? 0) + SHORTEST_PRESS_MS;
  lastHandMs = Math.max(nowMs, lastHandMs, soonest);
  if (pressed) pressedAt.set(elementId, lastHandMs);
  return lastHandMs;
}

/** Presses or lets go a switch element. */
export function pressContact(elementId: string, pressed: boolean): void {
  const { held } = get();
  if (!device || held.includes(elementId) === pressed) return;
  device.press(elementId, pressed, momentOfHand(device.nowMs, elementId, pressed));
  set({ held: pressed ? [...held, elementId] : held.filter((id) => id !== elementId) });
}

/** Contacts that stay where they are put. */
const stays = (elementId: string) => design !== null && derive(design).elements.get(elementId)?.stays === true;

export function flipContact(elementId: string, others: string[]): void {
  const isOn = get().held.includes(elementId);
  for (const other of others) pressContact(other, false);
  pressContact(elementId, !isOn);
}

/**
 * A device looks at once how its contacts stand; what was put on before that was so from the start and tells
 * nothing. A hand comes later than this.
 */
const WAKE_MS = 10;

/** Lets the device look round before the first hand comes. */
export function wakeUp(): void {
  if (device && device.nowMs < WAKE_MS) advance(device, WAKE_MS - device.nowMs);
}

/** What comes back by itself. */
const springs = (elementId: string) =>
  design !== null &&
  derive(design).controls.get(derive(design).elements.get(elementId)?.controlId ?? "")?.kind === "stick";

export function letGo(): void {
  for (const id of Object.keys(get().places)) if (springs(id)) moveWiperTo(id, 0);
  for (const id of get().held) if (!stays(id)) pressContact(id, false);
}

export function turnKnob(elementId: string, steps: number): void {
  device?.turn(elementId, steps);
  set({ turned: { ...get().turned, [elementId]: (get().turned[elementId] ?? 0) + steps } });
}

/** Nothing else tells of wipers that the firmware does not read; they move all the same. */
export function moveWiperTo(elementId: string, place: number): void {
  const bounded = Math.max(-1, Math.min(1, place));
  device?.move(elementId, bounded);
  set({ places: { ...get().places, [elementId]: bounded } });
}

/** Over its report; where a radio's acknowledgement brings it, with the next one. */
export function tellDevice(told: SessionState["told"]): void {
  if (!link?.answers) device?.tell(panelBytes(told.flags, told.values));
  set({ told });
}

/** Lines over the serial port, understood or not. @param told what the device then shows */
export function sayLines(lines: string[], told: SessionState["told"]): void {
  for (const line of lines) device?.sayLine(line);
  set({ told });
}

/** Messages that a program plays, shown or not. @param told what the device then shows */
export function playToDevice(messages: number[][], told: SessionState["told"]): void {
  for (const message of messages) device?.hear(message);
  set({ told });
}

/** The computer goes to sleep, or wakes by itself. */
export function putHostToSleep(asleep: boolean): void {
  device?.hostSleeps(asleep);
  set({ asleep });
}

const inParts = (one: Device | null) => (extras.Pair ? (one as PairedDevice | null) : null);

/** What happens to the line between parts, which of them the computer's plug is put into, and which modules are pulled off. */
export function changeLine({ trouble, plugged, away }: SessionState["line"]): void {
  const { line } = get();
  inParts(device)?.setLine(trouble);
  if (plugged !== line.plugged) inParts(device)?.plugInto(plugged);
  inParts(device)?.pullOff(away);
  set({ line: { ...line, trouble, plugged, away } });
}

/** A whole turn clockwise, as fast as the brief wishes. */
export function spinKnob(elementId: string): void {
  const turning = design && derive(design).elements.get(elementId)?.turning;
  if (turning) device?.turn(elementId, turning.stepsPerTurn, design!.brief.wish.turnsPerSecond);
}
