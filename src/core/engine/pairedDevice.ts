import { randomFrom } from "../optimisation/random";
import { Device } from "./device";
import { GOOD_LINE, type LineTrouble } from "./lineTrouble";
import { PartRuntimes } from "./partRuntimes";
import type { Runtime, RuntimeHost } from "./runtime";

/** What is damaged on the line between parts is the same in every run. */
const LINE_SEED = 64;

/** A device of two parts, each with a controller, or of one. */
export class PairedDevice extends Device {
  // Set while the device is started, which its own fields would undo.
  declare private pair: PartRuntimes | null;
  declare private pluggedIn: number | null | undefined;
  declare private trouble: LineTrouble | undefined;

  protected override runIn(host: RuntimeHost, kept?: Uint8Array): Runtime {
    const { owners } = this.parts;
    this.pair =
      owners && new PartRuntimes(this.tables, host, owners, this.watch.parts ?? {}, randomFrom(LINE_SEED), kept);
    if (!this.pair) return super.runIn(host, kept);
    this.pair.plugInto(this.pluggedIn === undefined ? 0 : this.pluggedIn);
    this.pair.trouble = this.trouble ?? GOOD_LINE;
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

  /** Whether its parts hear each other; true where there is one. */
  get isLineHeard(): boolean {
    return this.pair?.isHeard() ?? true;
  }

  /** Frames that did not arrive since it started, counted by each part up to 255 and on from 0. */
  get missedFrames(): number {
    return this.pair?.missed() ?? 0;
  }
}
