import { later } from "@/ui/pieces/later";
import { wishCounts } from "@/core/document/wish";
import type { StageView } from "../stageView";

export const briefStage: StageView = {
  id: "brief",
  title: "Brief",
  lens: "outlines",
  mode: "pick",
  settled: ({ brief }, { budget }) => {
    if (wishCounts.every((line) => brief.wish[line] === 0)) return "nothing wished yet";
    return brief.chosen ? budget : "no plan chosen";
  },
  Tray: later(() => import("./BriefTray").then((m) => m.BriefTray)),
  Table: later(() => import("./OptionsTable").then((m) => m.OptionsTable)),
  tableTitle: "Plans that meet the wish",
  tableShare: 70,
};
