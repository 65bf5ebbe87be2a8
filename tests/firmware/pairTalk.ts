import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { ChipTalk } from "./chipTalk";

const MOST_AT_ONCE_MS = 100;

/** Two simulated chips, joined by their serial pins; both have the same time, and one that is told nothing follows the other. */
export class PairTalk {
  readonly parts: [ChipTalk, ChipTalk];
  /** The part that a computer set up at the start, or the first. */
  readonly leads: number;

  /**
   * @param files of each part what imageFiles gives
   * @param plugged which of them a computer sets up at the start
   */
  constructor(host: string, files: string[][], folder: string, plugged: number | null) {
    this.leads = plugged ?? 0;
    const pipes = [0, 1].map((part) => join(folder, `to-${part}-${PairTalk.made++}`));
    execFileSync("mkfifo", pipes);
    const chip = (part: number) =>
      new ChipTalk(host, files[part], [pipes[part], pipes[1 - part], plugged === part ? "1" : "0"]);
    this.parts = [chip(0), chip(1)];
  }

  private static made = 0;

  /** Milliseconds of the part that a computer set up at the start, since the sequence began. */
  nowMs = 0;

  /** Lets time pass for both, and hears what each has said meanwhile. */
  async pass(ms: number): Promise<void> {
    // What the one that follows says is only heard when it is asked, and it waits when too much of that has gathered.
    const some = Math.min(ms, MOST_AT_ONCE_MS);
    if (some > 0) await this.parts[this.leads].pass(some);
    this.nowMs += some;
    await this.parts[1 - this.leads].order("late");
    if (ms > some) await this.pass(ms - some);
  }

  /** The line is cut, or damages one byte of so many; both ways. */
  async setLine(isCut: boolean, oneDamagedOf: number): Promise<void> {
    for (const part of this.parts) await part.order(`joined ${isCut ? 1 : 0} ${oneDamagedOf}`);
  }

  async plug(part: number, isIn: boolean): Promise<void> {
    await this.parts[part].order(`plug ${isIn ? 1 : 0}`);
  }

  end(): void {
    for (const part of this.parts) part.end();
  }
}
