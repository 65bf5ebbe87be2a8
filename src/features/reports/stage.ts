import { counted } from "@/core/words";
import { later } from "@/ui/pieces/later";
import type { StageView } from "../stageView";

export const reportsStage: StageView = {
  id: "reports",
  title: "Reports",
  lens: "legends",
  mode: "press",
  isReadFirst: true,
  settled: (design) => counted(design.reportSet.interfaces.length, "report"),
  Tray: later(() => import("./ReportsTray").then((m) => m.ReportsTray)),
  Table: later(() => import("./ReportsTable").then((m) => m.ReportsTable)),
  tableTitle: "Report descriptor, byte by byte",
  tableShare: 40,
};
