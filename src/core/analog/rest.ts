/** Where a stick comes to rest, as parts of the converter's range. */
export interface Rest {
  x: number;
  y: number;
}

export interface RestScatter {
  measured: number;
  centre: Rest;
  /** Farthest that a rest lay from the centre. */
  farthest: number;
  /** Smallest dead zones that hide every rest, with room for the converter's noise. */
  radial: number;
  byAxis: { x: number; y: number };
  /** Of the travel from the centre to the nearer end, what the radial zone takes. */
  lostPart: number;
}

/** Room for noise around the farthest rest: two counts of 10 bits (from memory). */
const NOISE = 2 / 1024;

const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** Centre and dead zone from where a stick came to rest each time it was let go; null without measurements. */
export function restScatter(rests: Rest[]): RestScatter | null {
  if (rests.length === 0) return null;
  const centre = { x: mean(rests.map(({ x }) => x)), y: mean(rests.map(({ y }) => y)) };
  const farthest = Math.max(...rests.map(({ x, y }) => Math.hypot(x - centre.x, y - centre.y)));
  const along = (axis: "x" | "y") => Math.max(...rests.map((rest) => Math.abs(rest[axis] - centre[axis]))) + NOISE;
  const radial = farthest + NOISE;
  const nearest = Math.min(centre.x, 1 - centre.x, centre.y, 1 - centre.y);
  return {
    measured: rests.length,
    centre,
    farthest,
    radial,
    byAxis: { x: along("x"), y: along("y") },
    lostPart: nearest > 0 ? Math.min(1, radial / nearest) : 1,
  };
}

/** Pairs of numbers from a text or file: two a line, as counts of a converter or as parts of one. */
export function readRests(text: string, bits: number): Rest[] | null {
  const lines = text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== "" && !line.startsWith("#"));
  const pairs = lines.map((line) =>
    line
      .split(/[\s,;]+/)
      .filter(Boolean)
      .map(Number),
  );
  if (pairs.some((pair) => pair.length !== 2 || pair.some((value) => !Number.isFinite(value) || value < 0)))
    return null;
  const whole = pairs.flat().every((value) => value <= 1) ? 1 : 2 ** bits - 1;
  if (pairs.flat().some((value) => value > whole)) return null;
  return pairs.map(([x, y]) => ({ x: x / whole, y: y / whole }));
}

/** What scaling from one count of bits to another loses: steps that cannot be reached, or readings that fall together. */
export function scaling(usedCounts: number, toBits: number): { steps: number; unreachable: number; together: number } {
  const steps = 2 ** toBits;
  const reached = Math.min(steps, Math.floor(usedCounts));
  return { steps, unreachable: steps - reached, together: Math.max(1, usedCounts / steps) };
}
