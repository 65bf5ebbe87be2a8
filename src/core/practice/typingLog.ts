import type { PracticeRun, Tally } from "./run";
import { type TypedPassage, leastEdits } from "./typingMeasures";

/** Longer than this between two signs nobody typed: the time is not the finger's. */
const LONGEST_MS = 4000;

/** Follows a text while it is typed. What is wrong is counted against the sign that was wanted, once for each place. */
export class TypingLog {
  private text: string[] = [];
  private readonly presented: string[];
  private furthest = 0;
  private startedAt: number | null = null;
  private lastAt = 0;
  private fixed = 0;
  private strokes = 0;
  readonly of = new Map<string, Tally>();

  constructor(presented: string) {
    this.presented = [...presented];
  }

  /** What stands there now, however it came about. */
  shows(text: string, nowMs: number): void {
    const next = [...text];
    const same = next.findIndex((sign, nth) => sign !== this.text[nth]);
    const kept = same < 0 ? Math.min(next.length, this.text.length) : same;
    const removed = this.text.length - kept;
    this.fixed += removed;
    this.strokes += removed + next.length - kept;
    for (let at = kept; at < next.length; at++) this.typed(next, at, nowMs);
    this.text = next;
    this.lastAt = nowMs;
  }

  /** One more sign: counted where all before it is right and nobody was here yet. */
  private typed(text: string[], at: number, nowMs: number): void {
    const gap = nowMs - this.lastAt;
    const isFirst = this.startedAt === null;
    if (isFirst) this.startedAt = nowMs;
    if (at >= this.presented.length || at < this.furthest || !this.isRightUpTo(text, at)) return;
    this.furthest = at + 1;
    const wanted = this.presented[at];
    const isRight = text[at] === wanted;
    // The first sign has no time of its own, and a pause is none of the finger's.
    if (isRight && (isFirst || gap > LONGEST_MS)) return;
    const { tries, errors, rightMs } = this.of.get(wanted) ?? { tries: 0, errors: 0, rightMs: 0 };
    this.of.set(wanted, {
      tries: tries + 1,
      errors: errors + (isRight ? 0 : 1),
      rightMs: rightMs + (isRight ? Math.max(0, gap) : 0),
    });
  }

  private isRightUpTo(text: string[], end: number): boolean {
    for (let at = 0; at < end; at++) if (text[at] !== this.presented[at]) return false;
    return true;
  }

  /** Whether as much stands there as was wanted. */
  get isDone(): boolean {
    return this.text.length >= this.presented.length;
  }

  get hasBegun(): boolean {
    return this.startedAt !== null;
  }

  /** What was typed until the last sign. */
  get passage(): TypedPassage {
    return {
      presented: this.presented.join(""),
      transcribed: this.text.join(""),
      incorrectFixed: this.fixed,
      keystrokes: this.strokes,
      seconds: this.startedAt === null ? 0 : (this.lastAt - this.startedAt) / 1000,
    };
  }

  /** The bout as it is kept; one that is left in the middle is measured against as much of the text. */
  run(id: string, at: string): PracticeRun {
    const { transcribed, incorrectFixed, keystrokes, seconds } = this.passage;
    const presented = this.presented.slice(0, Math.max(1, this.text.length)).join("");
    return {
      id,
      at,
      sort: "type",
      seconds,
      typed: {
        presented: [...presented].length,
        transcribed: this.text.length,
        distance: leastEdits(presented, transcribed),
        incorrectFixed,
        keystrokes,
      },
      of: Object.fromEntries(this.of),
    };
  }
}
