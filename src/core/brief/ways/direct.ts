import { inputNeed } from "../../circuits/net";
import type { SwitchWay } from "./way";

export const directWay: SwitchWay = {
  id: "direct",
  title: "Direct",
  carriesTurns: false,
  plan: (inputs, { settleUs }) => ({
    pins: [{ what: "switches", need: inputNeed, count: inputs }],
    parts: {},
    readUs: settleUs,
    certainty: [],
    shape: "one pin each",
  }),
};
