import { analogNeed } from "../../circuits/net";
import { MUX_CHANNELS, selectLots } from "./multiplexers";
import { type WayPlan, noPlan } from "./way";

/** One way to read voltages. */
export interface VoltageWay {
  id: string;
  title: string;
  plan(voltages: number): WayPlan | null;
}

/** One conversion of a slow converter (from memory: about 110 µs at 10 bits). */
const CONVERSION_US = 110;

const direct: VoltageWay = {
  id: "direct",
  title: "sticks and pots on analog pins",
  plan: (voltages) => ({
    ...noPlan,
    pins: [{ what: "voltages", need: analogNeed, count: voltages }],
    readUs: voltages * CONVERSION_US,
    shape: "one analog pin each",
  }),
};

const multiplexer: VoltageWay = {
  id: "multiplexer",
  title: "sticks and pots through a multiplexer",
  plan(voltages) {
    if (voltages < 3) return null;
    const count = Math.ceil(voltages / MUX_CHANNELS);
    return {
      ...noPlan,
      pins: [...selectLots, { what: "multiplexed voltage", need: analogNeed, count }],
      parts: { multiplexer: count },
      readUs: voltages * (CONVERSION_US + 10),
      shape: `${count} × 16-way`,
    };
  },
};

export const voltageWays: VoltageWay[] = [direct, multiplexer];
