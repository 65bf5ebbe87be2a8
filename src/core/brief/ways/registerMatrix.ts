import { inputNeed, outputNeed } from "../../circuits/net";
import type { SwitchWay } from "./way";

const A_REGISTER = 8;
const BIT_US = 1;
/** Two in a row: sixteen driven lines, so that a pin more reads sixteen switches more. */
const REGISTERS = 2;

/** A matrix whose driven lines come from output registers: three pins for any number of them, plus the lines read. */
export const registerMatrix: SwitchWay = {
  id: "register-matrix",
  title: "Matrix driven by registers",
  carriesTurns: false,
  plan(inputs, { wish, settleUs }) {
    if (inputs < 16) return null;
    const driven = REGISTERS * A_REGISTER;
    const read = Math.ceil(inputs / driven);
    return {
      pins: [
        { what: "register clock, latch and data", need: outputNeed, count: 3 },
        { what: "lines read", need: inputNeed, count: read },
      ],
      parts: { "register-out": REGISTERS, ...(wish.chords ? { diode: inputs } : {}) },
      readUs: driven * (settleUs + driven * BIT_US),
      certainty: wish.chords ? [] : [{ weight: "note", words: "without diodes: ghosts from three keys on" }],
      shape: `${driven} driven by registers, ${read} read`,
    };
  },
};
