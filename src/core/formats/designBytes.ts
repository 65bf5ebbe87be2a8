/** A design of a thousand controls is far below this. */
export const MOST_DESIGN_BYTES = 4 * 1024 * 1024;
