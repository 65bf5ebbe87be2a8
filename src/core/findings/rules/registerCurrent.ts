import { type Rule, controlSubject } from "../finding";

/** What all outputs of one 74HC595 may sink together: its ground lead carries 70 mA (data sheet, absolute maximum). */
const REGISTER_MA = 70;
/** What one output gives at full rating (data sheet: 35 mA absolute maximum). */
const OUTPUT_MA = 35;
const OUTPUTS = 8;

export const registerCurrent: Rule = {
  id: "circuits/register-current",
  stage: "circuits",
  severity: "stop",
  why: "An output register whose lamps take more than its ground lead carries gets hot and fails.",
  source: "74HC595 data sheet: 70 mA through the ground lead, 35 mA an output",
  eachController: true,
  check(design, { builtCircuits, elements }) {
    return design.circuits.flatMap((circuit, nth) => {
      if (circuit.kind !== "output-registers") return [];
      const lamps = builtCircuits[nth].lamps.flatMap(({ elementId }) => elements.get(elementId) ?? []);
      const registers = Array.from({ length: Math.ceil(lamps.length / OUTPUTS) }, (_, at) =>
        lamps.slice(at * OUTPUTS, (at + 1) * OUTPUTS),
      );
      return registers.flatMap((on, at) => {
        const sum = on.reduce((total, { currentMa = 0 }) => total + currentMa, 0);
        const strongest = on.find(({ currentMa = 0 }) => currentMa > OUTPUT_MA);
        if (sum <= REGISTER_MA && !strongest) return [];
        const each = Math.floor((10 * REGISTER_MA) / on.length) / 10;
        return [
          {
            message: strongest
              ? `${strongest.label} takes ${strongest.currentMa} mA; an output of U${at + 1} in ${circuit.name} gives ${OUTPUT_MA} mA.`
              : `U${at + 1} of ${circuit.name} carries ${sum} mA with its ${on.length} lamps on; it may carry ${REGISTER_MA} mA, so ${each} mA a lamp.`,
            subjects: on.map(({ controlId }) => controlSubject(controlId)),
          },
        ];
      });
    });
  },
};
