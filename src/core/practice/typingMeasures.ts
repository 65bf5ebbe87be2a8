/** What became of a text that was to be typed. */
export interface TypedPassage {
  presented: string;
  transcribed: string;
  /** Signs that were typed and taken away again. */
  incorrectFixed: number;
  /** Every sign typed and every one taken away. */
  keystrokes: number;
  /** From the first sign to the last. */
  seconds: number;
}

export interface TypingMeasures {
  wordsPerMinute: number;
  /** Shares of 1. */
  uncorrectedErrors: number;
  correctedErrors: number;
  totalErrors: number;
  keystrokesPerSign: number;
}

/** A word counts five signs, the space with it (A. Yamada, 1980). */
const SIGNS_OF_WORD = 5;

/** The least number of signs to put in, leave out or change that makes one text of the other (V. I. Levenshtein, 1966). */
export function leastEdits(one: string, other: string): number {
  const [a, b] = [[...one], [...other]];
  let row = Array.from({ length: b.length + 1 }, (_, nth) => nth);
  a.forEach((sign, i) => {
    const next = [i + 1];
    b.forEach((with_, j) => {
      next.push(Math.min(row[j + 1] + 1, next[j] + 1, row[j] + (sign === with_ ? 0 : 1)));
    });
    row = next;
  });
  return row[b.length];
}

const lengthOf = (text: string) => [...text].length;

/**
 * Speed and errors as text entry research has them: words a minute without the first sign, which only starts the clock
 * (I. S. MacKenzie, 2002); error rates from correct, incorrect not fixed and incorrect fixed signs (R. W. Soukoreff and I. S. MacKenzie,
 * "Metrics for text entry research", 2003), where C is the longer text less what separates both.
 */
export function measuresOf(passage: TypedPassage): TypingMeasures {
  const { presented, transcribed, incorrectFixed, keystrokes, seconds } = passage;
  return measuresFrom({
    presented: lengthOf(presented),
    transcribed: lengthOf(transcribed),
    distance: leastEdits(presented, transcribed),
    incorrectFixed,
    keystrokes,
    seconds,
  });
}

/** The same from what is kept of a passage. */
export function measuresFrom(kept: {
  presented: number;
  transcribed: number;
  distance: number;
  incorrectFixed: number;
  keystrokes: number;
  seconds: number;
}): TypingMeasures {
  const { presented, transcribed, distance, incorrectFixed, keystrokes, seconds } = kept;
  const correct = Math.max(presented, transcribed) - distance;
  const all = correct + distance + incorrectFixed;
  const share = (part: number) => (all === 0 ? 0 : part / all);
  const signs = Math.max(0, transcribed - 1);
  return {
    wordsPerMinute: seconds > 0 ? (signs / seconds) * (60 / SIGNS_OF_WORD) : 0,
    uncorrectedErrors: share(distance),
    correctedErrors: share(incorrectFixed),
    totalErrors: share(distance + incorrectFixed),
    keystrokesPerSign: transcribed === 0 ? 0 : keystrokes / transcribed,
  };
}
