import { duplicateControls, removeControls } from "@/core/design/edits/controls";
import { currentDesign, edit } from "./bench";
import { select, useHand } from "./hand";
import { newId } from "./newId";

const counted = (ids: string[]) => (ids.length === 1 ? "1 part" : `${ids.length} parts`);

/** Removes what is selected: one step to undo. */
export function removeSelection(): void {
  const { selection } = useHand.getState();
  if (selection.length > 0) edit(`remove ${counted(selection)}`, (design) => removeControls(design, selection));
}

/** Copies what is selected one pitch to the right and below; the copies are then selected. */
export function duplicateSelection(): void {
  const { selection } = useHand.getState();
  const pitch = currentDesign()?.pitch;
  if (!pitch || selection.length === 0) return;
  const copies: string[] = [];
  const next = () => {
    copies.push(newId());
    return copies.at(-1)!;
  };
  edit(`duplicate ${counted(selection)}`, (design) =>
    duplicateControls(design, selection, next, [pitch.xMm, pitch.yMm]),
  );
  select(copies);
}

export function selectAll(): void {
  select(currentDesign()?.controls.map((control) => control.id) ?? []);
}
