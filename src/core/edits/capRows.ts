import { keysOf } from "../capsets/coverage";
import type { RowChange } from "../capsets/rowChanges";
import type { Design } from "../document/schema";
import { tidyMm } from "../geometry/tidyMm";
import { changeControl } from "./controls";

/** Gives a row its new widths and closes it up from its left end: gaps between caps stay as they were. */
export function applyRowChange(design: Design, { widths }: RowChange): Design {
  const first = design.controls.find(({ id }) => widths.has(id));
  if (!first) return design;
  const pitch = design.pitch.xMm;
  const row = keysOf(design)
    .filter(
      (key) =>
        key.placement.rotationDeg === 0 &&
        key.heightU === 1 &&
        Math.abs(key.placement.yMm - first.placement.yMm) < design.pitch.yMm / 2,
    )
    .sort((a, b) => a.placement.xMm - b.placement.xMm);
  let shift = 0;
  return row.reduce((next, key) => {
    const delta = ((widths.get(key.id) ?? key.widthU) - key.widthU) * pitch;
    const xMm = tidyMm(key.placement.xMm + shift + delta / 2);
    shift += delta;
    return changeControl(next, key.id, {
      widthU: widths.get(key.id) ?? key.widthU,
      placement: { ...key.placement, xMm },
    });
  }, design);
}
