import type { Rule } from "../finding";

/** The runtime reads every encoder line once a millisecond. */
const SCANS_A_SECOND = 1000;

/** Each quadrature state must be seen at least once: states a second = steps a turn × states a step × turns a second. */
const safeTurnsASecond = (stepsPerTurn: number, statesPerStep: number) =>
  SCANS_A_SECOND / (stepsPerTurn * statesPerStep);

export const fastEncoder: Rule = {
  id: "wiring/fast-encoder",
  stage: "wiring",
  severity: "warn",
  why: "An encoder that passes a state between two readings loses steps.",
  source: "arithmetic: one reading a millisecond, states a step × steps a turn",
  check(design, { builtCircuits, elements }) {
    const wished = design.brief.wish.turnsPerSecond;
    // Those behind added parts are told with the time that their reading takes.
    const direct = builtCircuits.filter(({ chips }) => chips.length === 0).flatMap(({ encoders }) => encoders);
    return direct.flatMap(({ elementId }) => {
      const element = elements.get(elementId);
      if (!element?.turning) return [];
      const { stepsPerTurn, statesPerStep } = element.turning;
      const limit = safeTurnsASecond(stepsPerTurn, statesPerStep);
      if (limit >= wished) return [];
      return [
        {
          message: `${element.label} makes ${stepsPerTurn * statesPerStep} states a turn; read once a millisecond it keeps up to ${limit.toFixed(1)} turns a second, and the brief wishes ${wished}. Take one of fewer steps.`,
          subjects: [{ kind: "element" as const, id: elementId }],
        },
      ];
    });
  },
};
