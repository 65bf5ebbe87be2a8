import { later } from "@/ui/pieces/later";
import { derive } from "@/core/derived/derive";
import { factsOf } from "@/core/findings/facts";
import type { StageView } from "../stageView";
import { moveSelectionToNet } from "./moveToNet";

export const wiringStage: StageView = {
  id: "wiring",
  title: "Wiring",
  lens: "wires",
  mode: "pick",
  settled(design) {
    if (derive(design).nets.length === 0) return "nothing to wire";
    const { rows, columns, nets } = factsOf(design);
    return rows > 0 ? `${rows} rows, ${columns} columns` : `${nets} nets`;
  },
  Tray: later(() => import("./WiringTray").then((m) => m.WiringTray)),
  Table: later(() => import("./WiringTable").then((m) => m.WiringTable)),
  tableTitle: "Switches and their circuits",
  tableShare: 32,
  onNet: moveSelectionToNet,
};
