import { interpreterScan } from "../../firmware/interpreterCost";
import { scanTableOf } from "../../firmware/scanTable";
import { type Rule, listed } from "../finding";

const oneDigit = (value: number) => (value < 10 ? value.toFixed(1) : value.toFixed(0));

/** On a class that runs Python a scan takes several milliseconds, and every knob is read once a scan. */
export const interpretedEncoder: Rule = {
  id: "wiring/interpreted-encoder",
  stage: "wiring",
  severity: "note",
  why: "An interpreter scans seldom: a knob that passes a state between two scans loses steps.",
  source:
    "states a second = steps a turn × states a step × turns a second (common practice); times of an interpreter from memory",
  eachController: true,
  check(design, { builtCircuits, elements, profile }) {
    const ids = builtCircuits.flatMap(({ encoders }) => encoders.map(({ elementId }) => elementId));
    if (profile?.firmware.interpreted !== "runs-usb" || ids.length === 0) return [];
    const { leastMs, mostMs } = interpreterScan(design, scanTableOf(design), profile);
    const turns = (elementId: string, ms: number) => {
      const { stepsPerTurn, statesPerStep } = elements.get(elementId)!.turning!;
      return 1000 / Math.max(1, ms) / (stepsPerTurn * statesPerStep);
    };
    const wished = design.brief.wish.turnsPerSecond;
    const slow = ids.filter((id) => turns(id, mostMs) < wished);
    if (slow.length === 0) return [];
    const surely = Math.min(...slow.map((id) => turns(id, mostMs)));
    const atBest = Math.min(...slow.map((id) => turns(id, leastMs)));
    // Who does not insist on an interpreter has the compiled project, which keeps up.
    const insists = design.brief.wish.firmware === "interpreted";
    return [
      {
        severity: insists && atBest < wished ? "warn" : "note",
        message: `In Python ${listed(slow.map((id) => elements.get(id)!.label))} would be read every ${oneDigit(leastMs)} to ${oneDigit(mostMs)} ms: sure up to somewhere between ${oneDigit(surely)} and ${oneDigit(atBest)} turns a second, and the brief wishes ${wished}. A compiled project reads every millisecond.`,
        subjects: slow.map((id) => ({ kind: "element" as const, id })),
      },
    ];
  },
};
