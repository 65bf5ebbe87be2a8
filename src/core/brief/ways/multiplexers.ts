import { inputNeed, outputNeed } from "../../circuits/net";
import type { PinLot, SwitchWay } from "./way";

export const MUX_CHANNELS = 16;

/** The four select lines go to every multiplexer. */
export const selectLots: PinLot[] = [{ what: "multiplexer select", need: outputNeed, count: 4, shared: "select" }];

/** Select lines shared, one data pin each: four 16-way ones take 4 + 4 pins for 64 inputs (common practice). */
export const multiplexers: SwitchWay = {
  id: "multiplexers",
  title: "Multiplexers",
  carriesTurns: true,
  plan(inputs, { settleUs }) {
    if (inputs < 6) return null;
    const count = Math.ceil(inputs / MUX_CHANNELS);
    return {
      pins: [...selectLots, { what: "multiplexer data", need: inputNeed, count }],
      parts: { multiplexer: count },
      readUs: MUX_CHANNELS * settleUs,
      certainty: [],
      shape: `${count} × 16-way, select lines shared`,
    };
  },
};
