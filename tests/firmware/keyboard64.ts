import type { Design } from "@/core/document/schema";
import { addLayer, bind } from "@/core/edits/keymap";
import { placeBlock } from "@/core/edits/placeBlock";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import { newDesign } from "@/core/document/newDesign";
import { point } from "@/core/geometry/point";

/** A keyboard of rows × columns keys in a matrix, every key bound on every layer: the size of the speed table. */
export function keyboardOf(rows: number, columns: number, layers: number): Design {
  let number = 0;
  let design = placeBlock(newDesign("bench", "Bench"), columns, rows, point(0, 0), () => `k${(number += 1)}`);
  design = shareOutMatrix(design, "as-laid-out");
  for (let layer = 2; layer <= layers; layer++) design = addLayer(design, `layer${layer}`, `Layer ${layer}`);
  for (const { id } of design.keymap.layers) {
    for (const control of design.controls) {
      const usage = 4 + (Number(control.id.slice(1)) % 90);
      design = bind(design, id, `${control.id}:press`, { does: "keyboard", usage, modifiers: 0 });
    }
  }
  return design;
}

export const keyboard64 = (layers: number): Design => keyboardOf(8, 8, layers);

/**
 * A script that closes all 64 contacts, one by one and then several at once, so that every scan has work to do.
 * @param atOnce how many close in the same millisecond
 */
export function everyKeyOnce(atOnce: number): string {
  const lines: string[] = [];
  for (let row = 0; row < 8; row++) {
    for (let column = 0; column < 8; column++) {
      const atMs = 10 * (row * 8 + column);
      lines.push(`${atMs} sense ${row} 0 ${(0xffff & ~(1 << column)).toString(16)}`);
      lines.push(`${atMs + 8} sense ${row} 0 ffff`);
    }
  }
  for (let row = 0; 8 * row < atOnce; row++) {
    const closed = (1 << Math.min(8, atOnce - 8 * row)) - 1;
    lines.push(`700 sense ${row} 0 ${(0xffff & ~closed).toString(16)}`);
  }
  return [...lines, "760 end", ""].join("\n");
}
