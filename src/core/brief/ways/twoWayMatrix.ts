import { inputNeed } from "../../circuits/net";
import { fewestLines } from "../../matrix/planReadingOrder";
import type { SwitchWay } from "./way";

/** Every crossing carries two switches whose diodes point opposite ways, so r + c lines read 2 · r · c (common practice). */
export const twoWayMatrix: SwitchWay = {
  id: "two-way-matrix",
  title: "Two-way matrix",
  carriesTurns: false,
  plan(inputs, { settleUs }) {
    if (inputs < 8) return null;
    const { rows, columns } = fewestLines(Math.ceil(inputs / 2));
    return {
      pins: [{ what: "lines, driven and read in turn", need: { ...inputNeed, output: true }, count: rows + columns }],
      parts: { diode: inputs },
      readUs: (rows + columns) * settleUs,
      certainty: [
        { weight: "warn", words: "no switch works without its diode, and a reversed one answers for its twin" },
      ],
      shape: `${rows} × ${columns} lines, two switches a crossing`,
    };
  },
};
