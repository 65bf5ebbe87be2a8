import { circuitKindNamed } from "../../circuits";
import { probeElements, wayOf } from "./probe";
import type { WayPlan } from "./way";

/** One way to read voltages. */
export interface VoltageWay {
  id: "direct" | "multiplexer";
  title: string;
  plan(voltages: number, settleUs: number): WayPlan | null;
}

function planned(kind: VoltageWay["id"], count: number, settleUs: number): WayPlan {
  const elements = probeElements([{ kind: "pot", count }]);
  const { stem, title, fresh, with: add } = circuitKindNamed(kind);
  return wayOf(add(fresh(stem, title), [...elements.keys()]), elements, settleUs);
}

const direct: VoltageWay = {
  id: "direct",
  title: "sticks and pots on analog pins",
  plan: (voltages, settleUs) => ({ ...planned("direct", voltages, settleUs), shape: "one analog pin each" }),
};

const multiplexer: VoltageWay = {
  id: "multiplexer",
  title: "sticks and pots through a multiplexer",
  plan(voltages, settleUs) {
    if (voltages < 3) return null;
    const plan = planned("multiplexer", voltages, settleUs);
    return { ...plan, shape: `${plan.parts.multiplexer ?? 0} × 16-way` };
  },
};

export const voltageWays: VoltageWay[] = [direct, multiplexer];
