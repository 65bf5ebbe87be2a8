import { duplicateControls, removeControls } from "@/core/design/edits/controls";
import { currentDesign, edit, select } from "@/store/bench";
import { newId } from "@/store/newId";

/** Copies controls one unit to the right and selects the copies. */
export function duplicateControl(ids: string[]): void {
  const fresh: string[] = [];
  const pitch = currentDesign()?.pitch;
  if (!pitch) return;
  const next = () => {
    fresh.push(newId());
    return fresh.at(-1)!;
  };
  edit(`duplicate ${ids.length}`, (design) => duplicateControls(design, ids, next, [pitch.xMm, pitch.yMm]));
  select(fresh);
}

export const removeControl = (ids: string[]): void =>
  edit(`remove ${ids.length}`, (design) => removeControls(design, ids));
