import type { Design } from "../document/schema";
import { type State, states } from "../power/consumers";
import { supplyAt } from "../power/solveSupply";
import { knobLimits } from "../timing/knobLimits";
import { latencyOf } from "../timing/latency";
import { millisecondOf } from "../timing/millisecond";

/** What the circuits of a design come to, beside its counts. */
export interface ElectricFacts {
  /** From the source at each moment, in mA; null while no controller is chosen. */
  currentsMa: Record<State, number> | null;
  /** The longest scan and an average one, in µs. */
  worstScanUs: number;
  meanScanUs: number;
  /** From a press to its report in a compiled firmware, in ms. */
  reportMs: { best: number; mean: number; worst: number };
  /** Turns a second up to which each knob keeps its steps, by element. */
  knobTurns: Record<string, number>;
}

function currentsOf(design: Design): ElectricFacts["currentsMa"] {
  const currents = states.flatMap((state) => {
    const supply = supplyAt(design, state);
    return supply ? [[state, supply.sourceMa] as const] : [];
  });
  return currents.length === states.length ? (Object.fromEntries(currents) as Record<State, number>) : null;
}

/** Currents, times and limits of a design as values. */
export function electricFactsOf(design: Design): ElectricFacts {
  const { worstUs, meanUs } = millisecondOf(design);
  const { best, mean, worst } = latencyOf(design).compiled.at(-1)!;
  return {
    currentsMa: currentsOf(design),
    worstScanUs: worstUs,
    meanScanUs: meanUs,
    reportMs: { best, mean, worst },
    knobTurns: Object.fromEntries(knobLimits(design).map(({ elementId, turns }) => [elementId, turns])),
  };
}
