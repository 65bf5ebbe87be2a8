import type { ReportName } from "../contract/contract";
import { KEPT_BYTES } from "../contract/live";
import type { LineTrouble } from "./lineTrouble";
import { PartBus } from "./partBus";
import { PartLine } from "./partLine";
import type { PartsBetween } from "./partsBetween";
import { type Runtime, type RuntimeHost, startRuntime } from "./runtime";

/** Which part each line of lamps, chain of lights or segments, display and encoder hangs on, by their numbers. */
export interface PartOwners {
  lamps: number[];
  chains: number[];
  segments: number[];
  displays: number[];
  encoders: number[];
  /** Whether a link joins each part, the main one included, to the main one. */
  joined: boolean[];
  /** Of modules on a bus, how they call; null where a serial line joins two parts. */
  calls: "shared" | "own" | null;
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
  /** A module on a bus is pulled off, seen from this millisecond on, or put on again. */
  away?(atMs: number, part: number, isAway: boolean): void;
  /** Of modules on a bus: which call, as the main part sees it in this scan, when that is another than before; it asks one; one calls. */
  seesCalls?(atMs: number, part: number, mask: number): void;
  asks?(atMs: number, part: number, module: number): void;
  calls?(atMs: number, part: number): void;
  report?(atMs: number, part: number, kind: ReportName, bytes: Uint8Array): void;
}

/**
 * The parts of a device, each with the firmware and the same tables, and the line or bus between them, as one: what a hand does reaches the part that it
 * belongs to, and the computer speaks with the part that the plug is in. A module on a bus can be pulled off and put on again.
 */
export class PartRuntimes implements Runtime {
  private readonly parts: Runtime[];
  private readonly between: PartsBetween;
  private readonly isAway: boolean[];
  private seenCalls = 0;
  private scannedMs: number;
  /** The millisecond whose scan runs, or comes next. */
  private nowMs: number;
  private plugged: number | null = null;
  /** The part that the plug was in last. */
  private hostPart = 0;

  constructor(
    private readonly tables: Uint8Array,
    private readonly called: RuntimeHost,
    private readonly owners: PartOwners,
    private readonly watch: PartWatch,
    random: () => number,
    startMs: number,
    kept?: Uint8Array,
  ) {
    this.scannedMs = this.nowMs = startMs;
    const { joined, calls } = owners;
    this.between = calls ? new PartBus(joined.length, calls === "shared", random) : new PartLine(random);
    this.isAway = joined.map(() => false);
    this.parts = joined.map((_, part) => {
      const own = kept?.subarray(part * KEPT_BYTES, (part + 1) * KEPT_BYTES);
      return startRuntime(tables, this.hostOf(part), own, part);
    });
    if (calls) joined.forEach((isJoined, part) => isJoined || this.setAway(part, true));
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
      calls: () => this.seenCalls,
      asks: (module) => this.askModule(module),
      call: () => {
        watch.calls?.(this.nowMs, part);
        this.between.call?.(part);
      },
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

  private askModule(module: number) {
    this.watch.asks?.(this.nowMs, 0, module);
    this.between.ask?.(module, this.nowMs);
  }

  /** A module is pulled off, which takes its supply from it, or put on and started anew. */
  setAway(part: number, isAway: boolean): void {
    if (part === 0 || !this.between.setAway || this.isAway[part] === isAway) return;
    this.isAway[part] = isAway;
    this.watch.away?.(this.nowMs, part, isAway);
    this.between.setAway(part, isAway);
    if (isAway)
      this.owners.lamps.forEach((owner, line) => {
        if (owner === part) this.called.lamp(line, false);
      });
    else this.parts[part] = startRuntime(this.tables, this.hostOf(part), undefined, part);
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
    const isCut = trouble.isCut || (!this.owners.calls && !this.owners.joined[1]);
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
      if (bytes.length > 0 && !this.isAway[nth]) {
        this.watch.linked?.(this.nowMs, nth, bytes);
        part.linked(bytes);
      }
    });
    this.seeCalls();
    this.parts.forEach((part, nth) => this.isAway[nth] || part.scan(elapsedMs));
    this.scannedMs += elapsedMs;
    this.nowMs = this.scannedMs;
  }

  /** For who writes it down: what the main part sees before it scans. */
  private seeCalls() {
    const now = this.between.calls?.() ?? 0;
    if (now !== this.seenCalls) this.watch.seesCalls?.(this.nowMs, 0, now);
    this.seenCalls = now;
  }

  get started(): number {
    return Math.max(...this.parts.map(({ started }) => started));
  }

  /** Of all parts, one behind the other. */
  get kept(): Uint8Array {
    return Uint8Array.from(this.parts.flatMap(({ kept }) => [...kept]));
  }

  get answers(): Uint16Array {
    return this.parts[0].answers;
  }

  get levels(): Uint16Array {
    return this.parts[0].levels;
  }

  encoderEdge(encoder: number, state: number): void {
    const part = this.owners.encoders[encoder];
    if (!this.isAway[part]) this.parts[part].encoderEdge(encoder, state);
  }

  /** Whether each part hears the others. */
  isHeard(): boolean {
    return this.parts.every((part) => part.isHeard());
  }

  /** Whether the main part and this one hear each other. */
  hears = (part: number): boolean => !this.isAway[part] && this.parts[0].hears(part) && this.parts[part].hears(0);

  /** Of modules on a bus: how often they called, and how often one had more to say before it was asked. */
  get told(): { called: number; together: number } {
    return this.between.told ?? { called: 0, together: 0 };
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
