import type { ComponentType } from "react";
import type { Stage } from "@/core/findings/finding";
import type { Design } from "@/core/document/schema";
import type { Look } from "@/workers/checking";
import type { LensId } from "@/ui/lenses/lens";

/** How the mat answers the hand: move things, pick things, or press the device. */
export type MatMode = "arrange" | "pick" | "press";

/** What a stage puts on the bench. */
export interface StageView {
  id: Stage;
  title: string;
  lens: LensId;
  mode: MatMode;
  /** There is more to read than to press: the simulated device comes with the first sign of a hand. */
  isReadFirst?: boolean;
  /** The state in a few words, when nothing is to settle. */
  settled(design: Design, look: Look): string;
  Tray: ComponentType;
  Table: ComponentType;
  tableTitle: string;
  /** Height of the table beneath the mat in percent, until the person changes it. */
  tableShare: number;
  /** Clicking a net's flag or pin with something selected; true when that meant something. */
  onNet?(netId: string): boolean;
}
