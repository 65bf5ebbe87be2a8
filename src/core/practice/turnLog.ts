import { randomFrom } from "../optimisation/random";
import type { PracticeRun, Tally } from "./run";

/** A knob and by how many steps it shall be turned: clockwise above nothing. */
export interface TurnAsked {
  elementId: string;
  steps: number;
}

const FURTHEST = 12;

/** Turns to make, drawn so that near and far, left and right come alike. */
export function turnsToMake(elementIds: readonly string[], seed: number, count: number): TurnAsked[] {
  const random = randomFrom(seed);
  return Array.from({ length: elementIds.length === 0 ? 0 : count }, () => {
    const steps = 1 + Math.floor(random() * FURTHEST);
    return { elementId: elementIds[Math.floor(random() * elementIds.length)], steps: random() < 0.5 ? steps : -steps };
  });
}

/** Follows turns: where the knob stands against where it shall, how far it went beyond, how long until it is said to be there. */
export class TurnLog {
  private nth = 0;
  private at = 0;
  private offSum = 0;
  private askedAt: number;
  private lastAt: number;
  private readonly startedAt: number;
  private readonly tallies = new Map<string, Tally>();

  constructor(
    readonly turns: readonly TurnAsked[],
    nowMs: number,
  ) {
    this.askedAt = this.startedAt = this.lastAt = nowMs;
  }

  get wanted(): TurnAsked | null {
    return this.turns[this.nth] ?? null;
  }

  get done(): number {
    return this.nth;
  }

  /** Where the knob in hand stands against where it stood when it was asked for. */
  get place(): number {
    return this.at;
  }

  turned(elementId: string, steps: number): void {
    if (elementId === this.wanted?.elementId) this.at += steps;
  }

  /** The person says that it is there. Times count of turns that ended right. */
  settled(nowMs: number): number {
    const { wanted } = this;
    if (!wanted) return 0;
    const off = Math.abs(this.at - wanted.steps);
    const { tries, errors, rightMs } = this.tallies.get(wanted.elementId) ?? { tries: 0, errors: 0, rightMs: 0 };
    this.tallies.set(wanted.elementId, {
      tries: tries + 1,
      errors: errors + (off === 0 ? 0 : 1),
      rightMs: rightMs + (off === 0 ? nowMs - this.askedAt : 0),
    });
    this.offSum += off;
    this.nth += 1;
    this.at = 0;
    this.askedAt = this.lastAt = nowMs;
    return off;
  }

  run(id: string, at: string): PracticeRun {
    const seconds = (this.lastAt - this.startedAt) / 1000;
    const meanOff = this.nth === 0 ? 0 : this.offSum / this.nth;
    return { id, at, sort: "turn", seconds, of: Object.fromEntries(this.tallies), meanOff };
  }
}
