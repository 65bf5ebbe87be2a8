import { later } from "@/ui/pieces/later";
import type { StageView } from "../stageView";

export const makeStage: StageView = {
  id: "make",
  title: "Make",
  lens: "step",
  mode: "pick",
  settled({ controls, build, wires }) {
    if (controls.length === 0) return "nothing to make";
    const isBegun = (build?.done.length ?? 0) + wires.done.length > 0;
    return isBegun ? "begun" : "steps, time, parts";
  },
  Tray: later(() => import("./MakeTray").then((m) => m.MakeTray)),
  Table: later(() => import("./MakeTable").then((m) => m.MakeTable)),
  tableTitle: "Steps and parts",
  tableShare: 30,
};
