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
  Ledger: dynamic(() => import("./PinsLedger").then((m) => m.PinsLedger)),
  ledgerTitle: "Nets and pins",
  ledgerShare: 32,
};
