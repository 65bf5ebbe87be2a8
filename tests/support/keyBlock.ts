import { bind } from "@/core/edits/keymap";
import { placeBlock } from "@/core/edits/placeBlock";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import { point } from "@/core/geometry/point";

/** A block of keys k1, k2 … in reading order, bound to A, B …; nothing wired. */
export function keyBlock(columns: number, rows: number): Design {
  let number = 0;
  const placed = placeBlock(newDesign("pad", "Pad"), columns, rows, point(0, 0), () => `k${(number += 1)}`);
  return placed.controls.reduce(
    (design, control, nth) =>
      bind(design, "base", `${control.id}:press`, { does: "keyboard", usage: 4 + (nth % 90), modifiers: 0 }),
    placed,
  );
}
