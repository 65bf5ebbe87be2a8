/** Text on the mat that would be smaller than this on screen is left out until the zoom allows it. */
const LEAST_PX = 9;

/** Sizes told apart, in tenths of a millimetre: smaller ones count as the first, larger ones are always shown. */
const SMALLEST = 8;
const LARGEST = 60;

const stepOf = (sizeMm: number) => Math.max(SMALLEST, Math.min(LARGEST, Math.floor(sizeMm * 10)));

/** The class of a text on the mat by its size, so that the mat can leave out what is too small to read. */
export const textClass = (sizeMm: number): string => `mm-${stepOf(sizeMm)}`;

/** The style rule that hides what is too small at a zoom of so many pixels a millimetre; none when all can be read. */
export function hiddenText(pxPerMm: number): string {
  const small: string[] = [];
  for (let step = SMALLEST; step < LARGEST && (step / 10) * pxPerMm < LEAST_PX; step++)
    small.push(`.bench-mat .mm-${step}`);
  return small.length === 0 ? "" : `${small.join(",")}{visibility:hidden}`;
}
