import { randomFrom } from "../optimisation/random";
import { Device } from "./device";
import { GOOD_LINE, type LineTrouble } from "./lineTrouble";
import { PartRuntimes } from "./partRuntimes";
import type { Runtime, RuntimeHost } from "./runtime";

/** What is damaged on the line between parts is the same in every run. */
const LINE_SEED = 64;

/** What can be seen of how parts hear each other. */
export interface SeenOfParts {
  /** All of them do. */
  isHeard: boolean;
  /** By part, whether the main one and it do. */
  heard: boolean[];
  /** Frames that did not arrive. */
  missed: number;
  /** Of modules on a bus: how often one had more to say before it was asked. */
  together: number;
}

/** A device of several parts, each with a controller, or of one. */
export class PairedDevice extends Device {
  // Set while the device is started, which its own fields would undo.
  declare private pair: PartRuntimes | null;
  declare private pluggedIn: number | null | undefined;
  declare private trouble: LineTrouble | undefined;
  declare private away: Set<number> | undefined;

  protected override runIn(host: RuntimeHost, kept?: Uint8Array): Runtime {
    const { owners } = this.parts;
    // While it is made it has no time yet.
    const { nowMs = 0 } = this;
    const random = randomFrom(LINE_SEED);
    this.pair = owners && new PartRuntimes(this.tables, host, owners, this.watch.parts ?? {}, random, nowMs, kept);
    if (!this.pair) return super.runIn(host, kept);
    this.pair.plugInto(this.pluggedIn === undefined ? 0 : this.pluggedIn);
    this.pair.trouble = this.trouble ?? GOOD_LINE;
    this.away?.forEach((part) => this.pair?.setAway(part, true));
    return this.pair;
  }

  /** The plug is put into this part, or pulled (null). */
  plugInto(part: number | null): void {
    this.pluggedIn = part;
    this.endpoints.forget();
    this.pair?.plugInto(part);
  }

  /** What happens to the line between its parts. */
  setLine(trouble: LineTrouble): void {
    this.trouble = trouble;
    if (this.pair) this.pair.trouble = trouble;
  }

  /** These modules on a bus are pulled off, all others are on. */
  pullOff(away: number[]): void {
    const all = this.parts.owners?.joined.keys() ?? [];
    this.away = new Set(away);
    for (const part of all) this.pair?.setAway(part, this.away.has(part));
  }

  setAway(part: number, isAway: boolean): void {
    const others = [...(this.away ?? [])].filter((one) => one !== part);
    this.pullOff(isAway ? [...others, part] : others);
  }

  /** Whether the main part and this one hear each other. */
  hears = (part: number): boolean => this.pair?.hears(part) ?? true;

  /** Of modules on a bus: how often they called, and how often one had more to say before it was asked. */
  get told(): { called: number; together: number } {
    return this.pair?.told ?? { called: 0, together: 0 };
  }

  /** Whether its parts hear each other; true where there is one. */
  get isLineHeard(): boolean {
    return this.pair?.isHeard() ?? true;
  }

  /** Frames that did not arrive since it started, counted by each part up to 255 and on from 0. */
  get missedFrames(): number {
    return this.pair?.missed() ?? 0;
  }

  /** What can be seen of how its parts hear each other. */
  get seen(): SeenOfParts {
    const parts = [...(this.parts.owners?.joined.keys() ?? [])];
    return {
      isHeard: this.isLineHeard,
      heard: parts.map((part) => part === 0 || this.hears(part)),
      missed: this.missedFrames,
      together: this.told.together,
    };
  }
}
