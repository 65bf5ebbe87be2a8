import { inputNeed, outputNeed } from "../../circuits/net";
import type { SwitchWay } from "./way";

const A_REGISTER = 8;
const BIT_US = 1;

/** A matrix whose driven lines come from output registers: three pins for any number of them, plus the lines read. */
export const registerMatrix: SwitchWay = {
  id: "register-matrix",
  title: "Matrix driven by registers",
  carriesTurns: false,
  plan(inputs, { wish, settleUs }) {
    if (inputs < 16) return null;
    const registers = Math.max(1, Math.ceil(Math.sqrt(inputs) / A_REGISTER));
    const driven = registers * A_REGISTER;
    const read = Math.ceil(inputs / driven);
    return {
      pins: [
        { what: "register clock, latch and data", need: outputNeed, count: 3 },
        { what: "lines read", need: inputNeed, count: read },
      ],
      parts: { "register-out": registers, ...(wish.chords ? { diode: inputs } : {}) },
      readUs: driven * (settleUs + registers * A_REGISTER * BIT_US),
      certainty: wish.chords ? [] : [{ weight: "note", words: "without diodes: ghosts from three keys on" }],
      shape: `${driven} driven by registers, ${read} read`,
    };
  },
};
