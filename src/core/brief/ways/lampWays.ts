import { outputNeed, pwmNeed } from "../../circuits/net";
import { type WayPlan, noPlan } from "./way";

/** One way to light lamps. */
export interface LampWay {
  id: string;
  title: string;
  plan(lamps: number): WayPlan | null;
}

const A_REGISTER = 8;

const direct: LampWay = {
  id: "direct",
  title: "lamps from pins",
  plan: (lamps) => ({
    ...noPlan,
    pins: [{ what: "lamps", need: outputNeed, count: lamps }],
    parts: { resistor: lamps },
    shape: "one pin a lamp",
  }),
};

/** Three pins for any number of lamps, one resistor a branch, brightness by the enable pin (common practice). */
const registers: LampWay = {
  id: "output-registers",
  title: "lamps on output registers",
  plan(lamps) {
    if (lamps < 4) return null;
    const count = Math.ceil(lamps / A_REGISTER);
    return {
      ...noPlan,
      pins: [
        { what: "lamp register clock, latch and data", need: outputNeed, count: 3 },
        { what: "lamp brightness", need: pwmNeed, count: 1 },
      ],
      parts: { "register-out": count, resistor: lamps },
      readUs: count * A_REGISTER,
      shape: `${count} × 74HC595 in a chain`,
    };
  },
};

export const lampWays: LampWay[] = [direct, registers];
