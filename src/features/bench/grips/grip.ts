import type { Design } from "@/core/document/schema";
import type { MatPointer } from "@/ui/mat/Mat";
import type { Box } from "@/ui/mat/view";

/** What the mat shows while something is gripped. */
export interface GripShow {
  /** The design as it would be. */
  preview?: Design;
  frame?: Box;
  carried?: { netId: string; xMm: number; yMm: number };
}

/** What a hand does from pointer down to pointer up. */
export interface Grip {
  follow?(pointer: MatPointer): GripShow | void;
  end(pointer: MatPointer): void;
}

const FINE_MM = 0.1;
/** A movement that is shorter than this was a click. */
export const CLICK_MM = 0.8;

/** Movements snap to a quarter unit, as arrows do. */
export const SNAP_PARTS = 4;

/** To a step, or to tenths with the fine modifier; free of binary tails. */
export function snapMm(mm: number, stepMm: number, fine: boolean): number {
  const step = fine ? FINE_MM : stepMm;
  return Math.round(Math.round(mm / step) * step * 1000) / 1000;
}
