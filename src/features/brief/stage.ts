import dynamic from "next/dynamic";
import { budgetOf, budgetWords } from "@/core/brief/budget";
import type { StageView } from "../stageView";

export const briefStage: StageView = {
  id: "brief",
  title: "Brief",
  lens: "outlines",
  mode: "pick",
  settled: (design) => {
    const budget = budgetOf(design);
    if (budget.lines.every(({ wished }) => wished === 0)) return "nothing wished yet";
    return design.brief.chosen ? budgetWords(budget) : "no plan chosen";
  },
  Tray: dynamic(() => import("./BriefTray").then((m) => m.BriefTray)),
  Ledger: dynamic(() => import("./OptionsLedger").then((m) => m.OptionsLedger)),
  ledgerTitle: "Plans that meet the wish",
  ledgerShare: 70,
};
