/** Resistivity of annealed copper at 20 °C in Ω·mm²/m (IEC 60028: 1/58). */
const COPPER = 1 / 58;

/** Resistance of a copper wire in ohm, from its length in mm and its cross-section in mm². */
export const wireOhm = (lengthMm: number, mm2: number): number => (COPPER * lengthMm) / 1000 / mm2;
