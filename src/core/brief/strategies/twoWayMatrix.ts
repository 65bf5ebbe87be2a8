import type { TwoWayMatrix } from "../../circuits/twoWayMatrix";
import { costOf } from "./probe";
import { circuitWith } from "./readOneByOne";
import type { SwitchStrategy } from "./strategy";

/** Every crossing carries two switches whose diodes point opposite ways, so r + c lines read 2 · r · c (common practice). */
export const twoWayMatrix: SwitchStrategy = {
  id: "two-way-matrix",
  title: "Two-way matrix",
  circuit: "two-way-matrix",
  carriesTurns: false,
  cost({ switches }, { settleUs }) {
    if (switches < 8) return null;
    const { circuit, elements } = circuitWith("two-way-matrix", { switches, turns: 0 });
    const cells = Object.values((circuit as TwoWayMatrix).cells);
    const rows = 1 + Math.max(...cells.map(({ row }) => row));
    const columns = 1 + Math.max(...cells.map(({ column }) => column));
    return {
      ...costOf(circuit, elements, settleUs),
      certainty: [
        { weight: "warn", words: "no switch works without its diode, and a reversed one answers for its twin" },
      ],
      shape: `${rows} × ${columns} lines, two switches a crossing`,
    };
  },
};
