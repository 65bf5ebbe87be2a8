import dynamic from "next/dynamic";
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
  Tray: dynamic(() => import("./PinsTray").then((m) => m.PinsTray)),
  Table: dynamic(() => import("./PinsTable").then((m) => m.PinsTable)),
  tableTitle: "Nets and pins",
  tableShare: 32,
};
