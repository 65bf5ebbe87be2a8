import { circuitKindNamed } from "../../circuits";
import { probeElements, wayOf } from "./probe";
import type { WayPlan } from "./way";

/** One way to light lamps. */
export interface LampWay {
  id: "direct" | "output-registers";
  title: string;
  plan(lamps: number): WayPlan | null;
}

function planned(kind: LampWay["id"], count: number): WayPlan {
  const elements = probeElements([{ kind: "lamp", count }]);
  const { stem, title, fresh, with: add } = circuitKindNamed(kind);
  return wayOf(add(fresh(stem, title), [...elements.keys()]), elements, 0);
}

const direct: LampWay = {
  id: "direct",
  title: "lamps from pins",
  plan: (lamps) => ({ ...planned("direct", lamps), shape: "one pin a lamp" }),
};

/** Three pins for any number of lamps, one resistor a branch, brightness by the enable pin (common practice). */
const registers: LampWay = {
  id: "output-registers",
  title: "lamps on output registers",
  plan(lamps) {
    if (lamps < 4) return null;
    const plan = planned("output-registers", lamps);
    return { ...plan, shape: `${plan.parts["register-out"] ?? 0} × 74HC595 in a chain` };
  },
};

export const lampWays: LampWay[] = [direct, registers];
