import { derive } from "../design/derive";
import type { Design } from "../design/schema";
import { type ScanPlan, scanPlanOf } from "../firmware/scanPlan";
import { tableBytes } from "../firmware/tables";
import type { InterfaceKind } from "../hid/interfaces";
import { type Bounce, ContactSchedule } from "./contactSchedule";
import { ElectricalWorld } from "./electricalWorld";
import { BANKS, type Runtime, startRuntime } from "./runtime";

/** A report as it left the device. */
export interface TimedReport {
  atMs: number;
  interface: InterfaceKind;
  bytes: Uint8Array;
}

/** What happens on the device while it runs; each is called within the millisecond it happens in. */
export interface DeviceWatch {
  report?(report: TimedReport): void;
  /** A lamp line, numbered as in the plan. */
  lamp?(atMs: number, line: number, on: boolean): void;
  /** The host sets its lock lights, seen from the next scan on. */
  locks?(atMs: number, bits: number): void;
  contact?(atMs: number, contact: string, closed: boolean): void;
  /** What a bank now reads under a strobe (null: none): the whole input of the firmware. */
  answer?(atMs: number, strobe: number | null, bank: number, word: number): void;
}

/** Levels assumed while no controller is chosen: a 3.3 V input (from memory: high from 2 V). */
const ASSUMED_LEVELS = { inputHighMinV: 2 };

/** Time between two quadrature states of a turned encoder: about two turns a second at 24 steps of 4 states. */
const STATE_MS = 5;

/** Contacts closed in the four quadrature states, clockwise: A leads B. */
const QUADRATURE = [
  { A: true, B: false },
  { A: true, B: true },
  { A: false, B: true },
  { A: false, B: false },
] as const;

/** One design, powered: its circuits around the real firmware, in milliseconds. */
export class Device {
  readonly plan: ScanPlan;
  nowMs = 0;
  private readonly world: ElectricalWorld;
  private readonly schedule: ContactSchedule;
  private readonly runtime: Runtime;
  private readonly phases = new Map<string, number>();
  private readonly busyUntil = new Map<string, number>();

  constructor(
    design: Design,
    private readonly watch: DeviceWatch,
    bounce: Bounce | null = null,
  ) {
    this.plan = scanPlanOf(design);
    this.world = new ElectricalWorld(this.plan, derive(design).profile ?? ASSUMED_LEVELS);
    this.schedule = new ContactSchedule(bounce);
    this.runtime = startRuntime(tableBytes(this.plan, design), {
      report: (kind, bytes) => this.watch.report?.({ atMs: this.nowMs, interface: kind, bytes }),
      lamp: (line, on) => this.watch.lamp?.(this.nowMs, line, on),
    });
  }

  /** Presses or releases a switch element at a millisecond, now at the earliest. */
  press(elementId: string, pressed: boolean, atMs = this.nowMs): void {
    this.schedule.order(elementId, pressed, Math.max(atMs, this.nowMs));
  }

  /** Turns an encoder by felt steps, clockwise when positive; a turn under way is finished first. */
  turn(elementId: string, steps: number, atMs = this.nowMs): void {
    const encoder = this.plan.encoders.find((e) => e.elementId === elementId);
    if (!encoder) return;
    const direction = Math.sign(steps);
    let at = Math.max(atMs, this.nowMs, this.busyUntil.get(elementId) ?? 0);
    let phase = this.phases.get(elementId) ?? 3;
    for (let left = Math.abs(steps) * encoder.statesPerStep; left > 0; left--, at += STATE_MS) {
      const before = QUADRATURE[phase];
      phase = (phase + direction + 4) % 4;
      const after = QUADRATURE[phase];
      const end = before.A !== after.A ? "A" : "B";
      this.schedule.step(`${elementId}/${end}`, after[end], at);
    }
    this.phases.set(elementId, phase);
    this.busyUntil.set(elementId, at);
  }

  /** The host's lock lights: bit 0 num, 1 caps, 2 scroll. */
  hostLocks(bits: number): void {
    this.watch.locks?.(this.nowMs + 1, bits);
    this.runtime.hostLocks(bits);
  }

  /** One millisecond: contacts move, the firmware scans. */
  step(): void {
    this.moveContacts();
    this.runtime.scan();
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
    const number = this.plan.switches.indexOf(elementId);
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
