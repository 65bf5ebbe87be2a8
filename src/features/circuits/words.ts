import type { State } from "@/core/power/consumers";

/** In the order in which they are told. */
export const STATES: State[] = ["idle", "typical", "worst", "asleep"];

export const stateWords: Record<State, string> = {
  idle: "At rest, nothing lit",
  typical: "Usual",
  worst: "Everything at its most",
  asleep: "Computer asleep",
};

/** The same for heads of columns. */
export const shortWords: Record<State, string> = {
  idle: "At rest",
  typical: "Usual",
  worst: "At most",
  asleep: "Asleep",
};

/** Milliamperes with the digits that count. */
export const ma = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(value < 100 ? 1 : 0)} mA`;
export const volts = (value: number): string => `${value.toFixed(2)} V`;

/** Ohms as they are printed on parts. */
export function ohms(value: number): string {
  if (value >= 1e6) return `${Number((value / 1e6).toPrecision(3))} MΩ`;
  return value >= 1000 ? `${Number((value / 1000).toPrecision(3))} kΩ` : `${Number(value.toPrecision(3))} Ω`;
}
