import { later } from "@/ui/pieces/later";
import type { StageView } from "../stageView";

export const bringUpStage: StageView = {
  id: "bring-up",
  title: "Bring-up",
  lens: "faults",
  mode: "pick",
  settled({ controls, bringUp }) {
    if (controls.length === 0) return "nothing to test";
    const made = bringUp?.answers.length ?? 0;
    return made === 0 ? "test what was built" : `${made} tested`;
  },
  Tray: later(() => import("./BringUpTray").then((m) => m.BringUpTray)),
  Table: later(() => import("./BringUpTable").then((m) => m.BringUpTable)),
  tableTitle: "Tests so far",
  tableShare: 26,
};
