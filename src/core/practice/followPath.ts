import { randomFrom } from "../optimisation/random";

export interface MarkPlace {
  x: number;
  y: number;
}

/** Sums of few slow waves cannot be foretold and yet are smooth, as tracking tasks have them (E. C. Poulton, 1974, from memory). */
const WAVES = 3;
/** Hertz: from a slow drift to a third of what a hand still follows (about 1 Hz, from memory). */
const SLOWEST = 0.05;
const FASTEST = 0.3;

interface Wave {
  hertz: number;
  phase: number;
  part: number;
}

const wavesFrom = (random: () => number): Wave[] =>
  Array.from({ length: WAVES }, (_, nth) => ({
    hertz: SLOWEST + (FASTEST - SLOWEST) * ((nth + random()) / WAVES),
    phase: 2 * Math.PI * random(),
    part: 1 / (nth + 1.5),
  }));

/**
 * A mark that wanders: its place at a time, each coordinate between -1 and 1; of something with one axis only x counts.
 * The same seed wanders the same way.
 */
export function followPath(seed: number): (seconds: number) => MarkPlace {
  const random = randomFrom(seed);
  const [across, down] = [wavesFrom(random), wavesFrom(random)];
  const at = (waves: Wave[], seconds: number) => {
    const all = waves.reduce((sum, { part }) => sum + part, 0);
    return (
      waves.reduce((sum, { hertz, phase, part }) => sum + part * Math.sin(2 * Math.PI * hertz * seconds + phase), 0) /
      all
    );
  };
  return (seconds) => ({ x: at(across, seconds), y: at(down, seconds) });
}

/** How far from the mark, root mean square over time, as hundredths of an axis's half way. */
export class FollowLog {
  private squares = 0;
  private weight = 0;
  private lastS: number | null = null;

  /** Where hand and mark are at a time; the first look has no time before it. */
  look(seconds: number, mark: MarkPlace, hand: MarkPlace): void {
    const took = this.lastS === null ? 0 : Math.max(0, seconds - this.lastS);
    this.lastS = seconds;
    this.squares += took * ((mark.x - hand.x) ** 2 + (mark.y - hand.y) ** 2);
    this.weight += took;
  }

  get offHundredths(): number {
    return this.weight === 0 ? 0 : 100 * Math.sqrt(this.squares / this.weight);
  }
}
