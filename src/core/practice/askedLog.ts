import type { DrillSort, PracticeRun, Tally } from "./run";

/** Follows a row of things that are asked for, one after another: which was pressed, and how long it took. */
export class AskedLog {
  private nth = 0;
  private askedAt: number;
  private readonly startedAt: number;
  private wrong = false;
  private lastAt: number;
  private readonly tallies = new Map<string, Tally>();

  constructor(
    readonly order: readonly string[],
    nowMs: number,
  ) {
    this.askedAt = this.startedAt = this.lastAt = nowMs;
  }

  get wanted(): string | null {
    return this.order[this.nth] ?? null;
  }

  get done(): number {
    return this.nth;
  }

  /** Something was pressed. @returns whether it was what was asked for; a second wrong one counts no more than the first */
  pressed(id: string, nowMs: number): boolean {
    const { wanted } = this;
    if (wanted === null) return false;
    this.lastAt = nowMs;
    if (id !== wanted) {
      this.wrong = true;
      return false;
    }
    const { tries, errors, rightMs } = this.tallies.get(wanted) ?? { tries: 0, errors: 0, rightMs: 0 };
    this.tallies.set(wanted, {
      tries: tries + 1,
      errors: errors + (this.wrong ? 1 : 0),
      // The time of one that came after a wrong one is not that of finding it.
      rightMs: rightMs + (this.wrong ? 0 : Math.max(0, nowMs - this.askedAt)),
    });
    this.wrong = false;
    this.nth += 1;
    this.askedAt = nowMs;
    return true;
  }

  run(id: string, at: string, sort: DrillSort): PracticeRun {
    return { id, at, sort, seconds: (this.lastAt - this.startedAt) / 1000, of: Object.fromEntries(this.tallies) };
  }
}
