import { later } from "@/ui/pieces/later";
import type { StageView } from "../stageView";

export const layoutStage: StageView = {
  id: "layout",
  title: "Layout",
  lens: "outlines",
  mode: "arrange",
  settled: (design) => (design.controls.length === 0 ? "nothing placed" : `${design.controls.length} placed`),
  Tray: later(() => import("./LayoutTray").then((m) => m.LayoutTray)),
  Table: later(() => import("./LayoutTable").then((m) => m.LayoutTable)),
  tableTitle: "Controls and places",
  tableShare: 30,
};
