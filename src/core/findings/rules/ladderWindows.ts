import type { LadderCircuit } from "../../circuits/ladder";
import { ladderMargin } from "../../circuits/ladderVoltage";
import { changeCircuit } from "../../edits/wiring";
import { type Rule } from "../finding";

/** Noise of a reading: two steps of a 10-bit converter (from memory). */
const LEAST_MARGIN = 2 / 1024;

/** Keys of a ladder must keep apart when every resistor is as far off as it may be. */
export const ladderWindows: Rule = {
  id: "circuits/ladder-windows",
  stage: "circuits",
  severity: "stop",
  why: "Neighbouring keys of a ladder are told apart by their voltage; tolerances and the pull-down narrow the windows.",
  source: "Ohm's law, worst case of all resistors; shown against a circuit simulation in the reference tests",
  eachController: true,
  check(design, { builtCircuits }) {
    return design.circuits.flatMap((circuit, nth) => {
      if (circuit.kind !== "ladder") return [];
      const margin = Math.min(
        Infinity,
        ...builtCircuits[nth].ladders.map((bank) => ladderMargin(bank, circuit.tolerance, circuit.ripple)),
      );
      if (margin >= LEAST_MARGIN) return [];
      const fewer = Math.max(2, Math.floor(circuit.perBank / 2));
      return [
        {
          message: `${circuit.name}: with resistors of ${100 * circuit.tolerance} % the windows of ${circuit.perBank} keys keep ${(100 * margin).toFixed(2)} % of the supply as margin; a reading needs ${(100 * LEAST_MARGIN).toFixed(2)} %.`,
          subjects: [],
          fixes: [
            {
              title: "Take resistors of 0.1 %",
              apply: (d) => changeCircuit<LadderCircuit>(d, circuit.id, { tolerance: 0.001 }),
            },
            {
              title: `Take ${fewer} keys a bank`,
              apply: (d) => changeCircuit<LadderCircuit>(d, circuit.id, { perBank: fewer }),
            },
          ],
        },
      ];
    });
  },
};
