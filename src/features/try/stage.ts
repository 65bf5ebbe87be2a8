import dynamic from "next/dynamic";
import { scanPlanOf } from "@/core/firmware/scanPlan";
import type { StageView } from "../stageView";

export const tryStage: StageView = {
  id: "try",
  title: "Try",
  lens: "legends",
  mode: "press",
  settled: (design) => (scanPlanOf(design).inputs.length === 0 ? "nothing to press" : "ready to press"),
  Tray: dynamic(() => import("./TryTray").then((m) => m.TryTray)),
  Ledger: dynamic(() => import("./Strip").then((m) => m.Strip)),
  ledgerTitle: "Running strip",
  ledgerShare: 46,
};
