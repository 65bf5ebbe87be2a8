import { circuitKindNamed } from "../../circuits";
import { probeElements, costOf } from "./probe";
import type { StrategyCost } from "./strategy";

/** One strategy for lamps. */
export interface LampStrategy {
  id: "direct" | "output-registers";
  title: string;
  cost(lamps: number): StrategyCost | null;
}

function costAs(kind: LampStrategy["id"], count: number): StrategyCost {
  const elements = probeElements([{ kind: "lamp", count }]);
  const { stem, title, fresh, with: add } = circuitKindNamed(kind);
  return costOf(add(fresh(stem, title), [...elements.keys()]), elements, 0);
}

const direct: LampStrategy = {
  id: "direct",
  title: "lamps from pins",
  cost: (lamps) => ({ ...costAs("direct", lamps), shape: "one pin a lamp" }),
};

/** Three pins for any number of lamps, one resistor a branch, brightness by the enable pin (common practice). */
const registers: LampStrategy = {
  id: "output-registers",
  title: "lamps on output registers",
  cost(lamps) {
    if (lamps < 4) return null;
    const cost = costAs("output-registers", lamps);
    return { ...cost, shape: `${cost.parts["register-out"] ?? 0} × 74HC595 in a chain` };
  },
};

export const lampStrategies: LampStrategy[] = [direct, registers];
