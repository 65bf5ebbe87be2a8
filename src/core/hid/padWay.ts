/** Directions that a stick's way is looked at in. */
export const DIRECTIONS = 24;

/** How far a stick has come in each direction, as a part of an axis's whole way; 0 where it has not been. */
export type Ways = readonly number[];
export const noWays: Ways = new Array<number>(DIRECTIONS).fill(0);

/** Nearer to the middle a direction means little. */
const LEAST = 0.3;

/** The ways with one more place. @param x of the highest value that an axis tells, -1 to 1; so is `y` */
export function withPlace(ways: Ways, x: number, y: number): Ways {
  const way = Math.hypot(x, y);
  if (way < LEAST) return ways;
  const turn = (Math.atan2(y, x) / (2 * Math.PI) + 1) % 1;
  const nth = Math.floor(turn * DIRECTIONS) % DIRECTIONS;
  return way <= ways[nth] ? ways : ways.map((before, at) => (at === nth ? way : before));
}

const percent = (part: number) => `${Math.round(100 * part)} %`;

/**
 * How round its way is, in words: a stick whose axes are stretched each by itself comes to a square, 141 % in its corners. Told once it
 * has been in all directions.
 */
export function roundWords(ways: Ways): string {
  const seen = ways.filter((way) => way > 0);
  if (seen.length === 0) return "";
  if (seen.length < DIRECTIONS) return `round the edge: seen in ${seen.length} of ${DIRECTIONS} directions`;
  return `round the edge: from ${percent(Math.min(...seen))} to ${percent(Math.max(...seen))} of the way`;
}

/** Where an untouched stick was told to be: lowest and highest of x and y, as parts of an axis's way; null before it was seen so. */
export type Rest = readonly [xLow: number, xHigh: number, yLow: number, yHigh: number] | null;

/** The rest with one more place of an untouched stick. */
export function withRest(rest: Rest, x: number, y: number): Rest {
  if (rest === null) return [x, x, y, y];
  const [xLow, xHigh, yLow, yHigh] = rest;
  if (x >= xLow && x <= xHigh && y >= yLow && y <= yHigh) return rest;
  return [Math.min(xLow, x), Math.max(xHigh, x), Math.min(yLow, y), Math.max(yHigh, y)];
}

const signed = (part: number) => `${part > 0 ? "+" : part < 0 ? "−" : ""}${(100 * Math.abs(part)).toFixed(1)} %`;

/** How far it drifts, in words: off the middle, and to and fro. */
export function restWords(rest: Rest): string {
  if (rest === null) return "";
  const [xLow, xHigh, yLow, yHigh] = rest;
  if (rest.every((part) => part === 0)) return "untouched: in the middle";
  const range = (low: number, high: number) => (low === high ? signed(low) : `${signed(low)} to ${signed(high)}`);
  return `untouched: X ${range(xLow, xHigh)}, Y ${range(yLow, yHigh)} of the way`;
}
