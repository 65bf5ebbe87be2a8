import { inputNeed, outputNeed } from "../../circuits/net";
import type { SwitchWay } from "./way";

const A_REGISTER = 8;
/** Shifting by I/O pins at about 1 MHz, safe for the family at 3.3 V and on wires (from memory). */
const BIT_US = 1;

export const inputRegisters: SwitchWay = {
  id: "input-registers",
  title: "Parallel-in registers",
  carriesTurns: true,
  plan(inputs) {
    if (inputs === 0) return null;
    const registers = Math.ceil(inputs / A_REGISTER);
    return {
      pins: [
        { what: "register clock and latch", need: outputNeed, count: 2 },
        { what: "register data", need: inputNeed, count: 1 },
      ],
      parts: { "register-in": registers, resistor: inputs },
      readUs: registers * A_REGISTER * BIT_US + 1,
      certainty: [],
      shape: `${registers} × 74HC165 in a chain`,
    };
  },
};
