import { later } from "@/ui/pieces/later";
import type { StageView } from "../stageView";

export const practiceStage: StageView = {
  id: "practice",
  title: "Practice",
  lens: "practice",
  mode: "press",
  isReadFirst: true,
  settled: ({ controls }) => (controls.length === 0 ? "nothing to learn" : "learn the device"),
  Tray: later(() => import("./PracticeTray").then((m) => m.PracticeTray)),
  Table: later(() => import("./PracticeTable").then((m) => m.PracticeTable)),
  tableTitle: "Practice",
  tableShare: 46,
};
