import { analogNeed } from "../../circuits/net";
import type { SwitchWay } from "./way";

/** Keys that one analog pin tells apart for sure (common practice: a dozen). */
const A_BANK = 12;
/** Settling of the tap and one conversion of a slow converter (from memory: about 110 µs at 10 bits). */
const CONVERSION_US = 130;
/** Resistors of the usual tolerance. */
const TOLERANCE = 0.01;

/**
 * n equal resistors between supply and ground: taps are 1/n of the supply apart. In the worst case all resistors above
 * the middle tap are high and all below are low, so the tap is off by tolerance/2 of the supply; what is left of half a
 * step is the margin.
 */
export const ladderMargin = (keys: number): number => 0.5 / keys - TOLERANCE / 2;

export const ladder: SwitchWay = {
  id: "ladder",
  title: "Resistor ladder",
  carriesTurns: false,
  plan(inputs) {
    if (inputs === 0) return null;
    const banks = Math.ceil(inputs / A_BANK);
    const keys = Math.ceil(inputs / banks);
    return {
      pins: [{ what: "ladder taps", need: analogNeed, count: banks }],
      parts: { resistor: inputs + banks },
      readUs: banks * CONVERSION_US,
      certainty: [
        { weight: "warn", words: `one key at a time in each bank of ${keys}` },
        {
          weight: "note",
          words: `with 1 % resistors the windows keep ${(100 * ladderMargin(keys)).toFixed(1)} % of the supply as margin`,
        },
      ],
      shape: `${banks === 1 ? "1 bank" : `${banks} banks`} of ${keys}`,
    };
  },
};
