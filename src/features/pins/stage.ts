import { later } from "@/ui/pieces/later";
import { factsOf } from "@/core/findings/facts";
import type { StageView } from "../stageView";

export const pinsStage: StageView = {
  id: "pins",
  title: "Pins",
  lens: "pins",
  mode: "pick",
  settled(design) {
    const { pinsNeeded, pinsUsable } = factsOf(design);
    return pinsUsable === 0 ? "no controller yet" : `${pinsNeeded} of ${pinsUsable} pins`;
  },
  Tray: later(() => import("./PinsTray").then((m) => m.PinsTray)),
  Table: later(() => import("./PinsTable").then((m) => m.PinsTable)),
  tableTitle: "Nets and pins",
  tableShare: 32,
};
