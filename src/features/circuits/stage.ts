import { later } from "@/ui/pieces/later";
import type { StageView } from "../stageView";

export const circuitsStage: StageView = {
  id: "circuits",
  title: "Circuits",
  lens: "currents",
  mode: "pick",
  settled: (_design, { currents }) => currents,
  Tray: later(() => import("./CircuitsTray").then((m) => m.CircuitsTray)),
  Table: later(() => import("./CurrentsTable").then((m) => m.CurrentsTable)),
  tableTitle: "What takes current",
  tableShare: 32,
};
