import type { StageView } from "./stageView";
import { briefStage } from "./brief/stage";
import { bringUpStage } from "./bringup/stage";
import { circuitsStage } from "./circuits/stage";
import { journalStage } from "./journal/stage";
import { keymapStage } from "./keymap/stage";
import { layoutStage } from "./layout/stage";
import { makeStage } from "./make/stage";
import { pinsStage } from "./pins/stage";
import { practiceStage } from "./practice/stage";
import { reportsStage } from "./reports/stage";
import { tryStage } from "./try/stage";
import { wiringStage } from "./wiring/stage";

/** The stages in the order of the work, one line each. */
export const stages: StageView[] = [
  briefStage,
  layoutStage,
  wiringStage,
  pinsStage,
  circuitsStage,
  keymapStage,
  reportsStage,
  tryStage,
  makeStage,
  bringUpStage,
  journalStage,
  practiceStage,
];
