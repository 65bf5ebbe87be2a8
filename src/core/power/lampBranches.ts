import { forwardV } from "../catalogue/lampColours";
import type { Circuit } from "../circuits";
import { type Derived, derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { seriesAbove } from "../electrics/eSeries";

/** A lamp with the resistor in its branch. */
export interface LampBranch {
  elementId: string;
  controlId: string;
  label: string;
  /** What the branch hangs on, in V. */
  volts: number;
  forwardV: number;
  wishedMa: number;
  /** From the E12 series; 0 where the voltage does not even suffice without one. */
  ohm: number;
  /** With that resistor: as usual, and with a lamp of the least forward voltage. */
  ma: number;
  mostMa: number;
  /** Heat of the resistor at its most, in mW. */
  mw: number;
}

/** Resistor, current and heat of one branch by Ohm's law; the next E12 value upwards, so that the wish is not exceeded. */
export function branchOf(volts: number, colour: keyof typeof forwardV, wishedMa: number) {
  const { least, usual } = forwardV[colour];
  const left = volts - usual;
  if (left <= 0) return { forwardV: usual, ohm: 0, ma: 0, mostMa: 0, mw: 0 };
  const ohm = seriesAbove("E12", (1000 * left) / wishedMa);
  const mostMa = (1000 * (volts - least)) / ohm;
  return { forwardV: usual, ohm, ma: (1000 * left) / ohm, mostMa, mw: (mostMa * mostMa * ohm) / 1000 };
}

function voltsOf(circuit: Circuit, { profile, design }: Derived): number {
  const logicV = profile?.logicV ?? 0;
  if (circuit.kind !== "output-registers" || circuit.feed === "logic") return logicV;
  const isMerged = profile && !design.supply.outside && logicV > 4.5;
  return isMerged ? logicV : RAIL_5V_VOLTS;
}
const RAIL_5V_VOLTS = 5;

/** The branch of each wired lamp, by its element. */
export function lampBranches(design: Design): Map<string, LampBranch> {
  const derived = derive(design);
  return derived.once("lamp branches", () => {
    const all = new Map<string, LampBranch>();
    design.circuits.forEach((circuit, nth) => {
      const volts = voltsOf(circuit, derived);
      for (const { elementId } of derived.builtCircuits[nth].lamps) {
        const element = derived.elements.get(elementId);
        if (!element || volts === 0) continue;
        const { controlId, label, currentMa: wishedMa = 0, colour = "red" } = element;
        all.set(elementId, { elementId, controlId, label, volts, wishedMa, ...branchOf(volts, colour, wishedMa) });
      }
    });
    return all;
  });
}
