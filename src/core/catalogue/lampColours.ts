/** Colours of lamps, by the voltage that stays on them. */
export const lampColours = ["red", "amber", "yellow", "green", "blue", "white"] as const;
export type LampColour = (typeof lampColours)[number];

/** Forward voltage at some milliamperes: least, usual and most, in V (typical of the classes; from memory). */
export const forwardV: Record<LampColour, { least: number; usual: number; most: number }> = {
  red: { least: 1.7, usual: 1.9, most: 2.3 },
  amber: { least: 1.8, usual: 2.0, most: 2.4 },
  yellow: { least: 1.9, usual: 2.1, most: 2.5 },
  green: { least: 2.0, usual: 2.2, most: 3.0 },
  blue: { least: 2.8, usual: 3.1, most: 3.6 },
  white: { least: 2.8, usual: 3.1, most: 3.6 },
};
