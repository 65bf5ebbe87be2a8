import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { ScanTable } from "../firmware/scanTable";
import type { ReportName } from "../contract/contract";
import { isMovement } from "../hid/pointerWords";
import type { DeviceParts } from "./deviceParts";
import { Tracks } from "./tracks";
import { type Bounce, ContactSchedule } from "./contactSchedule";
import { HostEndpoints } from "./hostEndpoints";
import { ElectricalWorld } from "./electricalWorld";
import { STATUS, FRAME_AT } from "../contract/live";
import type { PartWatch } from "./partRuntimes";
import { QUADRATURE } from "./quadrature";
import { BANKS, type Runtime, type RuntimeHost, startRuntime } from "./runtime";

/** A report as it left the device. */
export interface TimedReport {
  atMs: number;
  interface: ReportName;
  bytes: Uint8Array;
}

/** What happens on the device while it runs; each is called within the millisecond it happens in. */
export interface DeviceWatch {
  report?(report: TimedReport): void;
  /** A lamp line, numbered as in the scan table. */
  lamp?(atMs: number, line: number, on: boolean): void;
  /** A chain of addressable lights, numbered as in the scan table, is sent its bytes. */
  lights?(atMs: number, chain: number, bytes: Uint8Array): void;
  /** A frame is shifted through a chain of segment drivers, numbered as in the scan table. */
  segments?(atMs: number, chain: number, bytes: Uint8Array): void;
  /** A frame is written to a display of dots, numbered as in the scan table. */
  display?(atMs: number, display: number, bytes: Uint8Array): void;
  /** A radio is handed its packet. */
  radio?(atMs: number, bytes: Uint8Array): void;
  /** Bytes leave a socket for music. */
  din?(atMs: number, bytes: Uint8Array): void;
  /** What came back on its acknowledgement, seen from this millisecond on. */
  radioAnswer?(atMs: number, bytes: Uint8Array): void;
  /** A pad port was latched and read, seen from this millisecond on: all of its levels, and two behind them. */
  plug?(atMs: number, levels: boolean[]): void;
  /** These reports come over one endpoint. */
  shares?(kinds: ReportName[]): void;
  /** Something the host does, seen from this millisecond on: its lock lights, busy or not, asleep or not, a reset; or a late scan. */
  host?(atMs: number, what: "locks" | "busy" | "sleeps" | "reset" | "late" | "off", value: number): void;
  /** Bytes come over a serial port, seen from this millisecond on. */
  line?(atMs: number, bytes: Uint8Array): void;
  /** The computer plays an event, seen from this millisecond on. */
  heard?(atMs: number, event: Uint8Array): void;
  /** What the computer tells a panel, seen from this millisecond on. */
  told?(atMs: number, bytes: Uint8Array): void;
  /** A frame of live changes that the host sends, seen from this millisecond on. */
  asked?(atMs: number, frame: Uint8Array): void;
  /** The same frame, answered. */
  answered?(atMs: number, frame: Uint8Array): void;
  /** An edge of an encoder whose pins interrupt, by its number: its state, bit 1 A closed, bit 0 B closed. */
  edge?(atMs: number, encoder: number, state: number): void;
  contact?(atMs: number, contact: string, closed: boolean): void;
  /** What happens at each part of a device of two. */
  parts?: PartWatch;
  /** The voltage of a sensor, numbered as in the scan table, as parts of 65536 of the supply. */
  level?(atMs: number, sensor: number, level: number): void;
  /** What a bank now reads under a strobe (null: none): the whole input of the firmware. */
  answer?(atMs: number, strobe: number | null, bank: number, word: number): void;
}

/** Levels assumed while no controller is chosen: a 3.3 V input (from memory: high from 2 V). */
const ASSUMED_LEVELS = { inputHighMinV: 2 };

/** Time between two quadrature states of a turned encoder: about two turns a second at 24 steps of 4 states. */
const STATE_MS = 5;

/** From the device's call until the bus runs again: a host holds its signal for at least so long (USB 2.0, section 7.1.7.7). */
const RESUME_MS = 20;

/** So many bits are read behind the last one of a pad port. */
const BEHIND_PLUG = 2;

/** A hand on a knob: steps it still has to make, and when the next quadrature state comes. */
interface Turning {
  orders: { states: number; direction: number; stateMs: number }[];
  phase: number;
  /** Several states may fall into one millisecond. */
  nextMs: number;
}

/** What every reading of a voltage is off by: so many counts of the converter at most, either way. */
export interface Noise {
  counts: number;
  random: () => number;
}

/** One design, powered: its circuits around the real firmware, in milliseconds. */
export class Device {
  readonly scan: ScanTable;
  private readonly edgeEncoders: number[];
  private readonly plugBits: number;
  nowMs = 0;
  private readonly world: ElectricalWorld;
  private readonly schedule: ContactSchedule;
  private readonly tracks: Tracks;
  private readonly noisy: Noise | null;
  private runtime: Runtime;
  private isAsked = false;
  private readonly turnings = new Map<string, Turning>();
  private isHostAsleep = false;
  /** When a host that was called is awake. */
  private wakesAtMs: number | null = null;
  protected readonly endpoints: HostEndpoints;
  private isScanning = false;
  private lateUntilMs = 0;
  private scannedMs = 0;

  constructor(
    private readonly design: Design,
    protected readonly tables: Uint8Array,
    protected readonly parts: DeviceParts,
    protected readonly watch: DeviceWatch,
    bounce: Bounce | null = null,
    /** What live changes kept before. */
    kept?: Uint8Array,
    noise: Noise | null = null,
  ) {
    this.endpoints = new HostEndpoints(parts.endpoints, (kind, bytes) =>
      this.watch.report?.({ atMs: this.nowMs, interface: kind, bytes }),
    );
    for (const group of parts.endpoints) if (group.length > 1) this.watch.shares?.(group);
    this.scan = parts.scan;
    this.edgeEncoders = parts.edgeEncoders;
    this.plugBits = parts.plug?.bits ?? 0;
    this.world = new ElectricalWorld(this.scan, derive(design).profile ?? ASSUMED_LEVELS);
    this.schedule = new ContactSchedule(bounce);
    this.tracks = new Tracks(parts.tracks);
    this.noisy = noise;
    this.runtime = this.start(kept);
  }

  /** What the firmware runs in. */
  protected runIn(host: RuntimeHost, kept?: Uint8Array): Runtime {
    return startRuntime(this.tables, host, kept);
  }

  private start(kept?: Uint8Array): Runtime {
    const host = {
      report: (kind: ReportName, bytes: Uint8Array) => this.take(kind, bytes),
      lamp: (line: number, on: boolean) => this.watch.lamp?.(this.nowMs, line, on),
      lights: (chain: number, bytes: Uint8Array) => this.watch.lights?.(this.nowMs, chain, bytes),
      display: (display: number, bytes: Uint8Array) => this.watch.display?.(this.nowMs, display, bytes),
      radio: (bytes: Uint8Array) => this.watch.radio?.(this.nowMs, bytes),
      din: (bytes: Uint8Array) => this.watch.din?.(this.nowMs, bytes),
      segments: (chain: number, bytes: Uint8Array) => this.watch.segments?.(this.nowMs, chain, bytes),
    };
    const runtime = this.runIn(host, kept);
    for (const encoder of this.edgeEncoders) this.tellEdge(runtime, encoder);
    return runtime;
  }

  /** Moves a wiper: -1 to 1 from where it rests to its ends. @returns whether the firmware reads it */
  move(elementId: string, place: number): boolean {
    const sensor = this.scan.sensors.indexOf(elementId);
    if (sensor >= 0) this.tracks.move(sensor, place);
    return sensor >= 0;
  }

  /** Where a wiper has been moved to. */
  placeOf(elementId: string): number {
    const sensor = this.scan.sensors.indexOf(elementId);
    return sensor < 0 ? 0 : this.tracks.placeOf(sensor);
  }

  private setLevels() {
    const { levels } = this.runtime;
    for (let sensor = 0; sensor < this.scan.sensors.length; sensor++) {
      const off = this.noisy ? (2 * this.noisy.random() - 1) * this.noisy.counts : 0;
      const level = this.tracks.level(sensor, off);
      if (level === levels[sensor]) continue;
      levels[sensor] = level;
      this.watch.level?.(this.nowMs, sensor, level);
    }
  }

  private tellEdge(runtime: Runtime, encoder: number) {
    const { elementId } = this.scan.encoders[encoder];
    const state = (this.world.isClosed(`${elementId}/A`) ? 2 : 0) + (this.world.isClosed(`${elementId}/B`) ? 1 : 0);
    this.watch.edge?.(this.nowMs, encoder, state);
    runtime.encoderEdge(encoder, state);
  }

  private take(kind: ReportName, bytes: Uint8Array): boolean {
    return this.isHostAsleep ? this.callHost(kind, bytes) : this.endpoints.take(kind, bytes, this.nowMs);
  }

  /** A sleeping host takes nothing and is called, but not by what moves, nor by music; movement is forgotten. */
  private callHost(kind: ReportName, bytes: Uint8Array): boolean {
    if (isMovement(kind, bytes)) return true;
    if (kind !== "music") this.wakesAtMs ??= this.nowMs + RESUME_MS;
    return false;
  }

  /** Presses or releases a switch element at a millisecond, now at the earliest. */
  press(elementId: string, pressed: boolean, atMs = this.nowMs): void {
    this.schedule.order(elementId, pressed, Math.max(atMs, this.nowMs));
  }

  /**
   * Turns an encoder by felt steps, clockwise when positive, from now on; a turn under way is finished first.
   * @param turnsPerSecond a calm hand's when left out
   */
  turn(elementId: string, steps: number, turnsPerSecond?: number): void {
    const encoder = this.scan.encoders.find((e) => e.elementId === elementId);
    if (!encoder || steps === 0) return;
    const turning = this.turnings.get(elementId) ?? { orders: [], phase: 3, nextMs: 0 };
    // Not in the first scan, in which the firmware takes whatever it sees for where the knob rests.
    if (turning.orders.length === 0) turning.nextMs = Math.max(turning.nextMs, this.nowMs, 1);
    const states = Math.abs(steps) * encoder.statesPerStep;
    const stateMs = turnsPerSecond === undefined ? STATE_MS : this.stateMs(elementId, turnsPerSecond);
    turning.orders.push({ states, direction: Math.sign(steps), stateMs });
    this.turnings.set(elementId, turning);
  }

  /** Time of one quadrature state: states a turn = steps a turn × states a step (common practice). */
  private stateMs(elementId: string, turnsPerSecond: number): number {
    const { stepsPerTurn, statesPerStep } = derive(this.design).elements.get(elementId)!.turning!;
    return 1000 / (turnsPerSecond * stepsPerTurn * statesPerStep);
  }

  private turnKnobs() {
    for (const [elementId, turning] of this.turnings) {
      while (turning.orders.length > 0 && turning.nextMs < this.nowMs + 1) this.nextState(elementId, turning);
    }
  }

  private nextState(elementId: string, turning: Turning) {
    const [order] = turning.orders;
    const before = QUADRATURE[turning.phase];
    turning.phase = (turning.phase + order.direction + 4) % 4;
    const after = QUADRATURE[turning.phase];
    const end = before.A !== after.A ? "A" : "B";
    this.schedule.step(`${elementId}/${end}`, after[end], this.nowMs);
    turning.nextMs += order.stateMs;
    order.states -= 1;
    if (order.states === 0) turning.orders.shift();
  }

  /** The host's lock lights: bit 0 num, 1 caps, 2 scroll. */
  hostLocks(bits: number): void {
    this.watch.host?.(this.nowMs + (this.isScanning ? 1 : 0), "locks", bits);
    this.runtime.hostLocks(bits);
  }

  /** The host asks for no reports, or asks again and first gets those that wait on the endpoints. */
  hostBusy(isBusy: boolean): void {
    this.watch.host?.(this.nowMs, "busy", isBusy ? 1 : 0);
    this.endpoints.setBusy(isBusy);
  }

  /** The host goes to sleep, or is awake again; by itself it wakes when the device calls it. */
  hostSleeps(isAsleep: boolean): void {
    this.watch.host?.(this.nowMs, "sleeps", isAsleep ? 1 : 0);
    this.isHostAsleep = isAsleep;
    this.wakesAtMs = null;
    this.runtime.hostSleeps(isAsleep ? 1 : 0);
  }

  get isAsleep(): boolean {
    return this.isHostAsleep;
  }

  /** The bus is reset: the host knows nothing any more. */
  hostReset(): void {
    if (this.isHostAsleep) this.hostSleeps(false);
    this.watch.host?.(this.nowMs, "reset", 0);
    this.endpoints.forget();
    this.runtime.hostReset();
  }

  /** The next scan comes so many milliseconds late. */
  late(ms: number): void {
    this.watch.host?.(this.nowMs, "late", ms);
    this.lateUntilMs = this.nowMs + ms;
  }

  /** The computer tells the panel something. @returns whether there is one */
  tell(bytes: Uint8Array): boolean {
    if (!this.runtime.tell(bytes)) return false;
    this.watch.told?.(this.nowMs, bytes);
    return true;
  }

  /** A line of text comes over the serial port, with its end. */
  sayLine(text: string): void {
    // Nothing beyond ASCII is part of a line; what is there spoils it.
    const bytes = Uint8Array.from(`${text}\n`, (sign) => Math.min(sign.charCodeAt(0), 0x7f));
    this.watch.line?.(this.nowMs, bytes);
    this.runtime.line(bytes);
  }

  /** The computer plays a message of up to three bytes, which reaches the device as a packet on its first cable. */
  hear([status, first = 0, second = 0]: ArrayLike<number> & Iterable<number>): void {
    const event = Uint8Array.of(status >> 4, status, first, second);
    this.watch.heard?.(this.nowMs, event);
    this.runtime.hear(event);
  }

  /** This comes back on the acknowledgement of a radio's packet. @returns whether the device takes it */
  radioAnswered(bytes: Uint8Array): boolean {
    this.watch.radioAnswer?.(this.nowMs, bytes);
    return this.runtime.radioAnswered(bytes);
  }

  /** A console latches the pad port and reads all of its bits, and what follows. @returns their levels */
  readPlug(): boolean[] {
    const levels = this.runtime.readPlug(this.plugBits + BEHIND_PLUG);
    this.watch.plug?.(this.nowMs, levels);
    return levels;
  }

  /** The power goes and comes back at once: what is kept stays, all else begins anew; contacts are as they are. */
  powerCut(): void {
    this.watch.host?.(this.nowMs, "off", 0);
    const before = this.runtime.answers.slice();
    const levels = this.runtime.levels.slice();
    this.runtime = this.start(this.runtime.kept.slice());
    this.runtime.answers.set(before);
    this.runtime.levels.set(levels);
    this.isAsked = false;
    this.isHostAsleep = false;
    this.wakesAtMs = null;
    this.endpoints.powerCut();
    this.scannedMs = this.nowMs;
  }

  /** What live changes keep, as it is now. */
  get kept(): Uint8Array {
    return this.runtime.kept.slice();
  }

  /** A frame of live changes from the host. @returns whether the device takes it now. */
  ask(frame: Uint8Array): boolean {
    if (!this.runtime.ask(frame)) return false;
    this.watch.asked?.(this.nowMs, frame);
    this.isAsked = true;
    return true;
  }

  /** What the device answers when the host asks; null without live changes. */
  answer(): Uint8Array | null {
    return this.runtime.answered();
  }

  private tellAnswer() {
    const frame = this.runtime.answered();
    if (frame === null || frame[FRAME_AT.STATUS] === STATUS.WORKING) return;
    this.isAsked = false;
    this.watch.answered?.(this.nowMs, frame);
  }

  /** One millisecond: contacts move, the firmware scans. */
  step(): void {
    if (this.wakesAtMs !== null && this.nowMs >= this.wakesAtMs) this.hostSleeps(false);
    this.turnKnobs();
    this.moveContacts();
    this.setLevels();
    if (this.nowMs >= this.lateUntilMs) {
      this.isScanning = true;
      this.runtime.scan(this.nowMs + 1 - this.scannedMs);
      this.isScanning = false;
      this.scannedMs = this.nowMs + 1;
      if (this.isAsked) this.tellAnswer();
    }
    this.nowMs += 1;
  }

  runUntil(ms: number): void {
    while (this.nowMs < ms) this.step();
  }

  contactClosed(contact: string): boolean {
    return this.world.isClosed(contact);
  }

  /** The firmware's own debounced view of a switch element. */
  debounced(elementId: string): boolean {
    const number = this.scan.switches.indexOf(elementId);
    return number >= 0 && this.runtime.switchClosed(number);
  }

  layerActive(index: number): boolean {
    return this.runtime.layerActive(index);
  }

  private moveContacts() {
    let changed = false;
    for (const { contact, closed } of this.schedule.take(this.nowMs)) {
      if (!this.world.set(contact, closed)) continue;
      changed = true;
      this.watch.contact?.(this.nowMs, contact, closed);
      const encoder = this.edgeEncoders.find((number) =>
        contact.startsWith(`${this.scan.encoders[number].elementId}/`),
      );
      if (encoder !== undefined) this.tellEdge(this.runtime, encoder);
    }
    if (!changed) return;
    if (!this.watch.answer) this.world.answer(this.runtime.answers, BANKS);
    else this.tellAnswers(this.watch.answer);
  }

  private tellAnswers(tell: NonNullable<DeviceWatch["answer"]>) {
    const { answers } = this.runtime;
    const before = answers.slice();
    this.world.answer(answers, BANKS);
    for (let i = 0; i < answers.length; i++) {
      if (answers[i] === before[i]) continue;
      const row = Math.floor(i / BANKS);
      tell.call(this.watch, this.nowMs, row === 0 ? null : row - 1, i % BANKS, answers[i]);
    }
  }
}
