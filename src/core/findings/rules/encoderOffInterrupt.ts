import { takePinPlan } from "../../design/edits/pins";
import { planPins } from "../../pins/planPins";
import { type Rule, netSubject } from "../finding";

/** The runtime scans once a millisecond. */
const SCANS_A_SECOND = 1000;

/** Each quadrature state must be seen at least once: states a second = steps a turn × states a step × turns a second. */
const safeTurnsASecond = (stepsPerTurn: number, statesPerStep: number) =>
  SCANS_A_SECOND / (stepsPerTurn * statesPerStep);

export const encoderOffInterrupt: Rule = {
  id: "pins/encoder-off-interrupt",
  stage: "pins",
  severity: "warn",
  why: "A scanned encoder loses steps when it passes a state between two scans; an interrupt sees every edge.",
  source: "arithmetic: one scan a millisecond, states a step × steps a turn",
  check(design, { profile, signalNets, elements }) {
    if (!profile) return [];
    const pins = new Map(profile.pins.map((pin) => [pin.name, pin]));
    return signalNets.flatMap((net) => {
      const name = design.pinPlan[net.id]?.pin;
      const pin = name === undefined ? undefined : pins.get(name);
      if (!net.need!.interrupt || !pin || pin.role !== "io" || pin.interrupt) return [];
      const turning = net.taps.map(({ elementId }) => elements.get(elementId)?.turning).find((one) => one);
      if (!turning) return [];
      const { stepsPerTurn, statesPerStep } = turning;
      const limit = safeTurnsASecond(stepsPerTurn, statesPerStep).toFixed(1);
      return [
        {
          message: `${net.flag} is on ${name}, which cannot interrupt: scanned once a millisecond, it keeps up to ${limit} turns a second and loses steps beyond.`,
          subjects: [netSubject(net.id), { kind: "pin" as const, id: pin.name }],
          fixes: [{ title: "Share out pins anew", apply: (d) => takePinPlan(d, planPins(d)) }],
        },
      ];
    });
  },
};
