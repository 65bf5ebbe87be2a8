import { later } from "@/ui/pieces/later";
import { derive } from "@/core/derived/derive";
import type { StageView } from "../stageView";

export const tryStage: StageView = {
  id: "try",
  title: "Try",
  lens: "legends",
  mode: "press",
  settled(design) {
    const { inputs, circuitsOf } = derive(design);
    return inputs.some(({ elementId }) => circuitsOf.has(elementId)) ? "ready to press" : "nothing to press";
  },
  Tray: later(() => import("./TryTray").then((m) => m.TryTray)),
  Table: later(() => import("./Strip").then((m) => m.Strip)),
  tableTitle: "Running strip",
  tableShare: 46,
};
