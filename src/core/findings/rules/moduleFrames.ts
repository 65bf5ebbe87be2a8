import { busyBusMs } from "../../firmware/linkTimes";
import type { Rule } from "../finding";

/** Of a scan's millisecond, what may be taken on the bus: the rest is for what else is on it. */
const MOST_MS = 0.9;

/** Frames of modules that do not fit into a scan. */
export const moduleFrames: Rule = {
  id: "circuits/module-frames",
  stage: "circuits",
  severity: "warn",
  why: "The base tells all modules and asks one of them in each millisecond. What takes longer comes late, and a module is asked again before it has answered.",
  source: "nine clocks a byte at 400,000 a second (I²C-bus specification, fast mode)",
  check(design) {
    const busyMs = busyBusMs(design);
    if (busyMs <= MOST_MS) return [];
    return [
      {
        message: `To tell the modules and to ask the largest takes the bus ${busyMs.toFixed(2)} ms; there is one millisecond. Have fewer knobs and voltages on a module, or show less on it.`,
        subjects: [],
      },
    ];
  },
};
