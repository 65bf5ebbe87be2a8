import { LIGHT_DATA_V, LIGHT_SUPPLY_V, type LightChain } from "../../circuits/lightChain";
import { changeCircuit } from "../../edits/wiring";
import { type Rule } from "../finding";

/** Lights fed from 5 V may not take 3.3 V logic for high. */
export const lightLevel: Rule = {
  id: "circuits/light-level",
  stage: "circuits",
  severity: "warn",
  why: "Addressable lights on 5 V take their data for high from about 3.5 V on.",
  source: "common practice",
  check(design, { profile }) {
    if (!profile || profile.logicV >= LIGHT_DATA_V) return [];
    return design.circuits.flatMap((circuit) => {
      if (circuit.kind !== "light-chain" || circuit.shifted) return [];
      return [
        {
          message: `${circuit.name}: data at ${profile.logicV} V is below the ${LIGHT_DATA_V} V that lights on ${LIGHT_SUPPLY_V} V want.`,
          subjects: [],
          fixes: [
            {
              title: "Add a level shifter",
              apply: (d) => changeCircuit<LightChain>(d, circuit.id, { shifted: true }),
            },
          ],
        },
      ];
    });
  },
};
