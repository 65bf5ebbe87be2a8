/** Text on the mat that would be smaller than this on screen is left out until the zoom allows it. */
const LEAST_PX = 9;

/** Sizes told apart, in tenths of a millimetre: smaller ones count as the first, larger ones are always shown. */
const SMALLEST = 8;
const LARGEST = 60;

const stepOf = (sizeMm: number) => Math.max(SMALLEST, Math.min(LARGEST, Math.floor(sizeMm * 10)));

/** The class of a text on the mat by the size it can have, so that the mat can leave out what is too small to read. */
export const textClass = (sizeMm: number): string => `mm-${stepOf(sizeMm)}`;

/** The class of a shorter text that stands in for one of that size while it is left out. */
export const insteadClass = (sizeMm: number): string => `instead-${stepOf(sizeMm)}`;

/** The style rule that hides what is too small at a zoom of so many pixels a millimetre, and what would stand in for the rest. */
export function hiddenText(pxPerMm: number): string {
  const hidden: string[] = [];
  for (let step = SMALLEST; step <= LARGEST; step++) {
    const isSmall = step < LARGEST && (step / 10) * pxPerMm < LEAST_PX;
    hidden.push(`.bench-mat .${isSmall ? "mm" : "instead"}-${step}`);
  }
  return `${hidden.join(",")}{visibility:hidden}`;
}

/** A size in mm that grows up to the room there is while the zoom would make the text too small. */
export const growingSize = (sizeMm: number, roomMm: number): string =>
  `clamp(${sizeMm}px, calc(var(--least-mm, 0) * 1px), ${Math.max(sizeMm, roomMm)}px)`;

/** By how much a drawing of so many mm of text grows, up to a limit, until it can be read. */
export const growingScale = (sizeMm: number, most: number): string =>
  `scale(clamp(1, calc(var(--least-mm, 0) / ${sizeMm}), ${most}))`;

/** The least size of text, in mm, that can be read at a zoom; the mat hands it down to all that is drawn. */
export const leastMm = (pxPerMm: number): number => LEAST_PX / pxPerMm;
