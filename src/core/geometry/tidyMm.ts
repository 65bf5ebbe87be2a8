/** Rounds to a micrometre, so that repeated nudges do not leave crumbs. */
export const tidyMm = (mm: number): number => Math.round(mm * 1000) / 1000;
