const WRITTEN = /^([\d.]+) ?(k|M)?Ω$/;
const TIMES = { k: 1e3, M: 1e6 } as const;

/** A resistance as it is written on lists: "470 Ω", "1.8 kΩ", "2.2 MΩ". @param ohm in Ω, more than 0 */
export function ohmWords(ohm: number): string {
  const [times, unit] = ohm >= 1e6 ? [1e6, "MΩ"] : ohm >= 1e3 ? [1e3, "kΩ"] : [1, "Ω"];
  return `${Number((ohm / times).toPrecision(6))} ${unit}`;
}

/** What such words mean, in Ω; null where they are no resistance. */
export function ohmOf(words: string): number | null {
  const [, digits, unit] = WRITTEN.exec(words) ?? [];
  return digits === undefined ? null : Number(digits) * (unit ? TIMES[unit as keyof typeof TIMES] : 1);
}
