import { kindNamed } from "../catalogue/kinds";
import type { KeyRow } from "../formats/keyTable";
import { needsStabiliser } from "../catalogue/kinds/stabiliser";
import type { Design } from "../document/schema";
import { nextLabel } from "./controls";
import { tidyMm } from "../geometry/tidyMm";

/** Places the rows of a table or drawing on a board; a row without a label gets the next free one. */
export function placeRows(design: Design, rows: KeyRow[], boardId: string, newId: () => string): Design {
  return rows.reduce((next, row) => {
    const maker = kindNamed(row.kind);
    const placement = {
      xMm: tidyMm(row.xMm),
      yMm: tidyMm(row.yMm),
      rotationDeg: tidyMm(row.rotationDeg),
      boardId,
      ...(row.mirrored ? { mirrored: true as const } : {}),
    };
    const control = maker.fresh(newId(), row.label || nextLabel(next, maker.prefix), placement);
    const { widthU, heightU } = row;
    const sized =
      control.kind === "key"
        ? { ...control, widthU, heightU, stabiliser: needsStabiliser({ widthU, heightU }) }
        : control;
    return { ...next, controls: [...next.controls, sized] };
  }, design);
}
