import type { Stage } from "@/core/document/stageIds";

/** What stages are called, where one is chosen by its name. */
export const stageWords: Record<Stage, string> = {
  brief: "Brief",
  layout: "Layout",
  wiring: "Wiring",
  pins: "Pins",
  circuits: "Circuits",
  keymap: "Keymap",
  reports: "Reports",
  try: "Try",
  make: "Make",
  "bring-up": "Bring-up",
  journal: "Journal",
  practice: "Practice",
};
