import type { ReportName } from "../contract/contract";
import type { LineTrouble } from "./lineTrouble";
import { PartLine } from "./partLine";
import { type Runtime, type RuntimeHost, startRuntime } from "./runtime";

/** Which part each line of lamps, chain of lights or segments, display and encoder hangs on, by their numbers. */
export interface PartOwners {
  lamps: number[];
  chains: number[];
  segments: number[];
  displays: number[];
  encoders: number[];
  /** Whether a line joins the parts. */
  isJoined: boolean;
}

/** What happens at each of the parts, at its millisecond, for who writes it down: also what it works out and nothing hangs on there. */
export interface PartWatch {
  /** Bytes come over the line, before the scan of this millisecond. */
  linked?(atMs: number, part: number, bytes: Uint8Array): void;
  /** A frame leaves. */
  link?(atMs: number, part: number, bytes: Uint8Array): void;
  /** A computer has set it up, seen from this millisecond on, or no longer. */
  setUp?(atMs: number, part: number, is: boolean): void;
  lamp?(atMs: number, part: number, line: number, on: boolean): void;
  lights?(atMs: number, part: number, chain: number, bytes: Uint8Array): void;
  segments?(atMs: number, part: number, chain: number, bytes: Uint8Array): void;
  display?(atMs: number, part: number, display: number, bytes: Uint8Array): void;
  report?(atMs: number, part: number, kind: ReportName, bytes: Uint8Array): void;
}

/**
 * Two parts of a device, each with the firmware and the same tables, and the line between them, as one: what a hand does reaches the part that it
 * belongs to, and the computer speaks with the part that the plug is in.
 */
export class PartRuntimes implements Runtime {
  private readonly parts: Runtime[];
  private readonly between: PartLine;
  private scannedMs = 0;
  /** The millisecond whose scan runs, or comes next. */
  private nowMs = 0;
  private plugged: number | null = null;
  /** The part that the plug was in last. */
  private hostPart = 0;

  constructor(
    tables: Uint8Array,
    private readonly called: RuntimeHost,
    private readonly owners: PartOwners,
    private readonly watch: PartWatch,
    random: () => number,
    kept?: Uint8Array,
  ) {
    this.between = new PartLine(random);
    this.parts = [0, 1].map((part) => startRuntime(tables, this.hostOf(part), part === 0 ? kept : undefined, part));
  }

  private take(part: number, kind: ReportName, bytes: Uint8Array): boolean {
    if (part !== this.plugged || !this.called.report(kind, bytes)) return false;
    this.watch.report?.(this.nowMs, part, kind, bytes);
    return true;
  }

  /** What a part gives away is its own; the other works it out too, and nothing hangs there. */
  private hostOf(part: number): RuntimeHost {
    const { called, owners, watch } = this;
    return {
      ...called,
      report: (kind, bytes) => this.take(part, kind, bytes),
      link: (bytes) => this.send(part, bytes),
      lamp: (line, on) => {
        watch.lamp?.(this.nowMs, part, line, on);
        if (owners.lamps[line] === part) called.lamp(line, on);
      },
      lights: (chain, bytes) => {
        watch.lights?.(this.nowMs, part, chain, bytes);
        if (owners.chains[chain] === part) called.lights(chain, bytes);
      },
      segments: (chain, bytes) => {
        watch.segments?.(this.nowMs, part, chain, bytes);
        if (owners.segments[chain] === part) called.segments?.(chain, bytes);
      },
      display: (display, bytes) => {
        watch.display?.(this.nowMs, part, display, bytes);
        if (owners.displays[display] === part) called.display?.(display, bytes);
      },
    };
  }

  private send(part: number, bytes: Uint8Array) {
    this.watch.link?.(this.nowMs, part, bytes);
    this.between.send(part, bytes, this.nowMs);
  }

  /** The part that the plug is in. */
  get host(): Runtime {
    return this.parts[this.hostPart];
  }

  /** The plug is pulled and put into a part, or into none (null). */
  plugInto(part: number | null): void {
    this.parts.forEach((one, nth) => {
      if ((nth === part) === (nth === this.plugged)) return;
      this.watch.setUp?.(this.nowMs, nth, nth === part);
      one.configured(nth === part);
    });
    this.plugged = part;
    if (part !== null) this.hostPart = part;
  }

  /** Where no line joins them it is as if it were cut. */
  set trouble(trouble: LineTrouble) {
    const isCut = trouble.isCut || !this.owners.isJoined;
    this.between.trouble = { ...trouble, isCut };
    if (isCut) this.between.cutOff();
  }

  scan(elapsedMs: number): void {
    this.nowMs = this.scannedMs + elapsedMs - 1;
    const [first, ...others] = this.parts;
    for (const other of others) {
      other.answers.set(first.answers);
      other.levels.set(first.levels);
    }
    this.parts.forEach((part, nth) => {
      const bytes = this.between.arrived(nth, this.nowMs);
      if (bytes.length > 0) {
        this.watch.linked?.(this.nowMs, nth, bytes);
        part.linked(bytes);
      }
    });
    for (const part of this.parts) part.scan(elapsedMs);
    this.scannedMs += elapsedMs;
    this.nowMs = this.scannedMs;
  }

  get started(): number {
    return Math.max(...this.parts.map(({ started }) => started));
  }

  get kept(): Uint8Array {
    return this.parts[0].kept;
  }

  get answers(): Uint16Array {
    return this.parts[0].answers;
  }

  get levels(): Uint16Array {
    return this.parts[0].levels;
  }

  encoderEdge(encoder: number, state: number): void {
    this.parts[this.owners.encoders[encoder]].encoderEdge(encoder, state);
  }

  /** Whether each part hears the other. */
  isHeard(): boolean {
    return this.parts.every((part) => part.isHeard());
  }

  /** Frames that did not arrive, of both. */
  missed(): number {
    return this.parts.reduce((sum, part) => sum + part.missed(), 0);
  }

  configured(is: boolean): void {
    this.plugInto(is ? this.hostPart : null);
  }

  // Between two parts nothing else comes over the line.
  linked(): void {}

  hostLocks = (bits: number): void => this.host.hostLocks(bits);
  hostReset = (): void => this.host.hostReset();
  hostSleeps = (sleeps: number): void => this.host.hostSleeps(sleeps);
  switchClosed = (sw: number): boolean => this.host.switchClosed(sw);
  layerActive = (layer: number): boolean => this.host.layerActive(layer);
  ask = (frame: Uint8Array): boolean => this.host.ask(frame);
  answered = (): Uint8Array | null => this.host.answered();
  tell = (bytes: Uint8Array): boolean => this.host.tell(bytes);
  radioAnswered = (bytes: Uint8Array): boolean => this.host.radioAnswered(bytes);
  line = (bytes: Uint8Array): void => this.host.line(bytes);
  readPlug = (bits: number): boolean[] => this.host.readPlug(bits);
  hear = (event: Uint8Array): void => this.host.hear(event);
}
