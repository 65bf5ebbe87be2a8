import { later } from "@/ui/pieces/later";
import type { StageView } from "../stageView";

export const keymapStage: StageView = {
  id: "keymap",
  title: "Keymap",
  lens: "legends",
  mode: "pick",
  settled: (design) => (design.keymap.layers.length === 1 ? "1 layer" : `${design.keymap.layers.length} layers`),
  Tray: later(() => import("./KeymapTray").then((m) => m.KeymapTray)),
  Table: later(() => import("./KeymapTable").then((m) => m.KeymapTable)),
  tableTitle: "Bindings by layer",
  tableShare: 32,
};
