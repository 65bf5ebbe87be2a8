import { ladderMargin } from "../../circuits/ladderVoltage";
import type { LadderCircuit } from "../../circuits/ladder";
import { circuitKindOf } from "../../circuits";
import { costOf } from "./probe";
import { circuitWith } from "./readOneByOne";
import type { SwitchStrategy } from "./strategy";

export const ladder: SwitchStrategy = {
  id: "ladder",
  title: "Resistor ladder",
  circuit: "ladder",
  carriesTurns: false,
  cost({ switches }, { settleUs }) {
    if (switches === 0) return null;
    const { circuit, elements } = circuitWith("ladder", { switches, turns: 0 });
    const { ladders } = circuitKindOf(circuit).build(circuit, elements, {});
    const { tolerance } = circuit as LadderCircuit;
    const keys = Math.max(...ladders.map(({ rungs }) => rungs.length));
    const margin = Math.min(...ladders.map((bank) => ladderMargin(bank, tolerance)));
    return {
      ...costOf(circuit, elements, settleUs),
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
