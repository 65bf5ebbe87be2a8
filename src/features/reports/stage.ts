import dynamic from "next/dynamic";
import type { StageView } from "../stageView";

export const reportsStage: StageView = {
  id: "reports",
  title: "Reports",
  lens: "legends",
  mode: "press",
  settled: (design) =>
    `${design.reportSet.interfaces.length} interface${design.reportSet.interfaces.length === 1 ? "" : "s"}`,
  Tray: dynamic(() => import("./ReportsTray").then((m) => m.ReportsTray)),
  Table: dynamic(() => import("./ReportsTable").then((m) => m.ReportsTable)),
  tableTitle: "Report descriptor, byte by byte",
  tableShare: 40,
};
