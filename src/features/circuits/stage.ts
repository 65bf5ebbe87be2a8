import dynamic from "next/dynamic";
import type { StageView } from "../stageView";

export const circuitsStage: StageView = {
  id: "circuits",
  title: "Circuits",
  lens: "currents",
  mode: "pick",
  settled: (_design, { currents }) => currents,
  Tray: dynamic(() => import("./CircuitsTray").then((m) => m.CircuitsTray)),
  Table: dynamic(() => import("./CurrentsTable").then((m) => m.CurrentsTable)),
  tableTitle: "What takes current",
  tableShare: 32,
};
