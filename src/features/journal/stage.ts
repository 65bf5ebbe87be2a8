import { later } from "@/ui/pieces/later";
import type { StageView } from "../stageView";

export const journalStage: StageView = {
  id: "journal",
  title: "Journal",
  lens: "record",
  mode: "pick",
  settled({ journal }) {
    if (journal.length === 0) return "nothing noted yet";
    return journal.length === 1 ? "1 entry" : `${journal.length} entries`;
  },
  Tray: later(() => import("./JournalTray").then((m) => m.JournalTray)),
  Table: later(() => import("./JournalTable").then((m) => m.JournalTable)),
  tableTitle: "The record",
  tableShare: 36,
};
