/** Voltage that stays on a diode in series at some hundreds of milliamperes (typical of the 1N5819 and 1N4007; from memory). */
export const DIODE_V = { none: 0, schottky: 0.35, silicon: 0.85 } as const;

/** Something that current passes on its way to a rail. */
export interface SeriesPart {
  id: "cable" | "fuse" | "diode" | "regulator" | "pass" | "selector" | "light diode";
  title: string;
  ma: number;
  /** Voltage that it takes. */
  dropV: number;
  mw: number;
}
