import type { LightChain } from "../circuits/lightChain";

/** An addressable light that shows nothing still runs its own logic: about 1 mA (common practice). */
export const DARK_LIGHT_MA = 1;

/**
 * From which voltage on the current of a colour is whole, and below which it is gone: forward voltage with and without
 * room for the light's own current source (typical; from memory).
 */
export const LIGHT_COLOURS = [
  { fullV: 2.6, goneV: 1.9 },
  { fullV: 3.7, goneV: 2.8 },
  { fullV: 3.7, goneV: 2.8 },
];

/** From here on every colour of a light has its whole current, with some room. */
export const LIGHT_LEAST_V = 3.8;

const part = (volts: number, { fullV, goneV }: (typeof LIGHT_COLOURS)[number]) =>
  Math.min(1, Math.max(0, (volts - goneV) / (fullV - goneV)));

/** How a chain is used at a moment. */
export interface Glow {
  /** Of full, 0 to 1, for each colour that is lit. */
  level: number;
  /** Colours lit, 1 to 3. One is taken to be green or blue, which need the higher voltage. */
  colours: LightChain["colours"];
}

/**
 * Current of one light in mA at its own voltage.
 * @param whiteMa at full white; a third of what is above its standing current belongs to each colour
 */
export function lightMa(whiteMa: number, volts: number, { level, colours }: Glow): number {
  const each = Math.max(0, whiteMa - DARK_LIGHT_MA) / LIGHT_COLOURS.length;
  const awake = Math.min(1, Math.max(0, volts / 2));
  let lit = 0;
  for (let nth = LIGHT_COLOURS.length - colours; nth < LIGHT_COLOURS.length; nth++)
    lit += part(volts, LIGHT_COLOURS[nth]);
  return DARK_LIGHT_MA * awake + each * level * lit;
}
