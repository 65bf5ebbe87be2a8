import dynamic from "next/dynamic";
import type { StageView } from "../stageView";

export const layoutStage: StageView = {
  id: "layout",
  title: "Layout",
  lens: "outlines",
  mode: "arrange",
  settled: (design) => (design.controls.length === 0 ? "nothing placed" : `${design.controls.length} placed`),
  Tray: dynamic(() => import("./LayoutTray").then((m) => m.LayoutTray)),
  Ledger: dynamic(() => import("./LayoutLedger").then((m) => m.LayoutLedger)),
  ledgerTitle: "Controls and places",
  ledgerShare: 30,
};
