/** Rounded steps of a decade (IEC 60063). E3 to E24 are its own historic values, E48 and up are rounded powers. */
const E24 = [
  1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2,
  9.1,
];

const every = (nth: number) => E24.filter((_, at) => at % nth === 0);

/** The one value of E192 that the standard rounds otherwise than the formula does. */
const E192_EXCEPTION = { formula: 9.19, standard: 9.2 };

const powers = (count: number) =>
  Array.from({ length: count }, (_, n) => Math.round(100 * 10 ** (n / count)) / 100).map((value) =>
    value === E192_EXCEPTION.formula ? E192_EXCEPTION.standard : value,
  );

export const eSeries = {
  E3: every(8),
  E6: every(4),
  E12: every(2),
  E24,
  E48: powers(48),
  E96: powers(96),
  E192: powers(192),
} as const;
export type SeriesName = keyof typeof eSeries;

const tidy = (value: number) => Number(value.toPrecision(6));

/** Values of a series upwards without end, from a least one above 0. */
function* seriesFrom(name: SeriesName, least: number): Generator<number, never> {
  for (let decade = Math.floor(Math.log10(least)); ; decade++)
    for (const step of eSeries[name]) {
      const value = step * 10 ** decade;
      // Rounding the figure is the slow part: not for those that are far below.
      if (value < least * 0.999) continue;
      const tidied = tidy(value);
      if (tidied >= least * (1 - 1e-9)) yield tidied;
    }
}

/**
 * All values of a series from one ohm (or farad, or henry) to another, both included, upwards.
 * @returns none unless the least is above 0 and the most is finite
 */
export function seriesBetween(name: SeriesName, least: number, most: number): number[] {
  const values: number[] = [];
  if (!(least > 0) || !Number.isFinite(most)) return values;
  for (const value of seriesFrom(name, least)) {
    if (value > most * (1 + 1e-9)) break;
    values.push(value);
  }
  return values;
}

/** The smallest value of a series that is not below the wish. @throws RangeError unless the wish is above 0 */
export function seriesAbove(name: SeriesName, wish: number): number {
  mustBePositive(wish);
  return seriesFrom(name, wish).next().value;
}

/** The largest value of a series that is not above the wish. @throws RangeError unless the wish is above 0 */
export function seriesBelow(name: SeriesName, wish: number): number {
  mustBePositive(wish);
  return seriesBetween(name, wish / 10, wish).at(-1)!;
}

/** The value of a series whose ratio to the wish is nearest to one. */
export function seriesNearest(name: SeriesName, wish: number): number {
  const [below, above] = [seriesBelow(name, wish), seriesAbove(name, wish)];
  return wish / below <= above / wish ? below : above;
}

function mustBePositive(wish: number) {
  if (!(wish > 0) || !Number.isFinite(wish)) throw new RangeError(`no series value for ${wish}`);
}
