import { LINK_BUS } from "../contract/link";
import { GOOD_LINE } from "./lineTrouble";
import type { PartsBetween } from "./partsBetween";

/** Time of a byte on the bus, in ms. */
const BYTE_MS = (1000 * LINK_BUS.CLOCKS_A_BYTE) / LINK_BUS.BITS_A_SECOND;

interface Come {
  bytes: Uint8Array;
  atMs: number;
}

/** What a module has for the main part, and what came of it. */
interface Module {
  /** The frame that it says when it is asked. */
  frame: Uint8Array;
  /** It pulls its line. */
  calls: boolean;
  isAway: boolean;
  /** How often it began to call for something, and how often it had more to say while it still waited to be asked. */
  called: number;
  together: number;
}

/** A two-wire bus on which a main part tells its modules all at once and asks them one by one, with the lines on which they call. Each byte takes its time, one transfer waits for the one before. */
export class PartBus implements PartsBetween {
  trouble = GOOD_LINE;
  private readonly modules: Module[];
  private readonly towards: Come[][];
  private freeMs = 0;

  /** @param isShared whether all modules call on one line */
  constructor(
    parts: number,
    private readonly isShared: boolean,
    private readonly random: () => number,
  ) {
    this.towards = Array.from({ length: parts }, () => []);
    this.modules = Array.from({ length: parts - 1 }, () => ({
      frame: new Uint8Array(),
      calls: false,
      isAway: false,
      called: 0,
      together: 0,
    }));
  }

  private moduleOf = (part: number): Module => this.modules[part - 1];

  /** Puts bytes on the bus behind what is on it, an address in front of them. @returns when they have come */
  private passes(bytes: Uint8Array, nowMs: number): Come {
    const start = Math.max(nowMs, this.freeMs);
    this.freeMs = start + (1 + bytes.length) * BYTE_MS;
    return { bytes: bytes.map((byte) => this.passed(byte)), atMs: this.freeMs };
  }

  /** A damaged byte has one bit turned. */
  private passed(byte: number): number {
    const { oneDamagedOf } = this.trouble;
    if (oneDamagedOf === 0 || this.random() * oneDamagedOf >= 1) return byte;
    return byte ^ (1 << Math.floor(this.random() * 8));
  }

  /** The main part writes its frame to all; a module keeps its own for when it is asked. */
  send(from: number, bytes: Uint8Array, nowMs: number): void {
    if (from > 0) {
      this.moduleOf(from).frame = bytes;
      return;
    }
    if (this.trouble.isCut) return;
    const come = this.passes(bytes, nowMs);
    this.modules.forEach(({ isAway }, nth) => {
      if (!isAway) this.towards[nth + 1].push(come);
    });
  }

  /** The main part asks a module; one that is away does not answer to its address. */
  ask(part: number, nowMs: number): void {
    const module = this.moduleOf(part);
    if (this.trouble.isCut || !module || module.isAway || module.frame.length === 0) {
      this.passes(new Uint8Array(), nowMs);
      return;
    }
    module.calls = false;
    this.towards[0].push(this.passes(module.frame, nowMs));
  }

  call(part: number): void {
    const module = this.moduleOf(part);
    if (module.calls) module.together += 1;
    else module.called += 1;
    module.calls = true;
  }

  /** What the main part sees of the lines, a bit for each module by its number. */
  calls(): number {
    const bits = this.modules.map(({ calls, isAway }, nth) => (calls && !isAway ? 2 << nth : 0));
    const mask = bits.reduce((sum, bit) => sum + bit, 0);
    if (this.trouble.isCut) return 0;
    return this.isShared && mask !== 0 ? (2 << this.modules.length) - 2 : mask;
  }

  /** A module is pulled off, or put on again with nothing to say yet. */
  setAway(part: number, isAway: boolean): void {
    Object.assign(this.moduleOf(part), { isAway, calls: false, frame: new Uint8Array() });
    this.towards[part].length = 0;
  }

  cutOff(): void {
    for (const on of this.towards) on.length = 0;
  }

  arrived(part: number, untilMs: number): Uint8Array {
    const on = this.towards[part];
    const late = on.findIndex(({ atMs }) => atMs > untilMs + BYTE_MS / 2);
    return Uint8Array.from(on.splice(0, late < 0 ? on.length : late).flatMap(({ bytes }) => [...bytes]));
  }

  /** How often modules called, and how often one had more to say before it was asked. */
  get told(): { called: number; together: number } {
    return this.modules.reduce(
      (sum, { called, together }) => ({ called: sum.called + called, together: sum.together + together }),
      { called: 0, together: 0 },
    );
  }
}
