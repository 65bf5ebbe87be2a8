import { circuitKindOf } from "../../circuits";
import { type Rule, listed } from "../finding";

/** The runtime scans once a millisecond. */
const SCANS_A_SECOND = 1000;

/** Knobs behind added parts are read in turn, so every quadrature state must last longer than a round of reading. */
export const sampledEncoder: Rule = {
  id: "wiring/sampled-encoder",
  stage: "wiring",
  severity: "note",
  why: "Encoders behind multiplexers, registers or expanders are only right while every quadrature state is sampled.",
  source: "states a second = steps a turn × states a step × turns a second (common practice)",
  eachController: true,
  check(design, { builtCircuits, elements }) {
    return design.circuits.flatMap((circuit, nth) => {
      const plan = builtCircuits[nth];
      if (plan.chips.length === 0 || plan.encoders.length === 0) return [];
      const { settles, fixedUs } = plan.reading;
      const readingUs = settles * design.timing.settleUs + fixedUs;
      const readings = Math.min(SCANS_A_SECOND, 1e6 / Math.max(1, readingUs));
      const worst = plan.encoders.map(({ elementId }) => elements.get(elementId)!);
      const states = Math.max(...worst.map(({ turning }) => turning!.stepsPerTurn * turning!.statesPerStep));
      const turns = readings / states;
      const wished = design.brief.wish.turnsPerSecond;
      return [
        {
          severity: turns < wished ? "warn" : "note",
          message: `${listed(worst.map(({ label }) => label))} ${worst.length === 1 ? "is" : "are"} read ${Math.round(readings)} times a second through ${circuitKindOf(circuit).title.toLowerCase()}: sure up to ${turns.toFixed(1)} turns a second.`,
          subjects: worst.map(({ id }) => ({ kind: "element" as const, id })),
        },
      ];
    });
  },
};
