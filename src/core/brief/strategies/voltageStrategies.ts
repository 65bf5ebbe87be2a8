import { circuitKindNamed } from "../../circuits";
import { probeElements, costOf } from "./probe";
import type { StrategyCost } from "./strategy";

/** One strategy for voltages. */
export interface VoltageStrategy {
  id: "direct" | "multiplexer";
  title: string;
  cost(voltages: number, settleUs: number): StrategyCost | null;
}

function costAs(kind: VoltageStrategy["id"], count: number, settleUs: number): StrategyCost {
  const elements = probeElements([{ kind: "pot", count }]);
  const { stem, title, fresh, with: add } = circuitKindNamed(kind);
  return costOf(add(fresh(stem, title), [...elements.keys()]), elements, settleUs);
}

const direct: VoltageStrategy = {
  id: "direct",
  title: "sticks and pots on analog pins",
  cost: (voltages, settleUs) => ({ ...costAs("direct", voltages, settleUs), shape: "one analog pin each" }),
};

const multiplexer: VoltageStrategy = {
  id: "multiplexer",
  title: "sticks and pots through a multiplexer",
  cost(voltages, settleUs) {
    if (voltages < 3) return null;
    const cost = costAs("multiplexer", voltages, settleUs);
    return { ...cost, shape: `${cost.parts.multiplexer ?? 0} × 16-way` };
  },
};

export const voltageStrategies: VoltageStrategy[] = [direct, multiplexer];
