import { ladderMargin } from "../../circuits/ladderVoltage";
import type { LadderCircuit } from "../../circuits/ladder";
import { circuitKindOf } from "../../circuits";
import { wayOf } from "./probe";
import { circuitWith } from "./readOneByOne";
import type { SwitchWay } from "./way";

export const ladder: SwitchWay = {
  id: "ladder",
  title: "Resistor ladder",
  circuit: "ladder",
  carriesTurns: false,
  plan({ switches }, { settleUs }) {
    if (switches === 0) return null;
    const { circuit, elements } = circuitWith("ladder", { switches, turns: 0 });
    const { ladders } = circuitKindOf(circuit).plan(circuit, elements, {});
    const { tolerance } = circuit as LadderCircuit;
    const keys = Math.max(...ladders.map(({ taps }) => taps.length));
    const margin = Math.min(...ladders.map((bank) => ladderMargin(bank, tolerance)));
    return {
      ...wayOf(circuit, elements, settleUs),
      certainty: [
        { weight: "warn", words: `one key at a time in each bank of ${keys}` },
        {
          weight: "note",
          words: `with ${100 * tolerance} % resistors the windows keep ${(100 * margin).toFixed(1)} % of the supply as margin`,
        },
      ],
      shape: `${ladders.length === 1 ? "1 bank" : `${ladders.length} banks`} of ${keys}`,
    };
  },
};
