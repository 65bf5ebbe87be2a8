import { type Control, kindNamed } from "@/core/catalogue/kinds";
import { addControl, duplicateControls, placeControls, removeControls } from "@/core/edits/controls";
import { currentDesign, edit } from "./bench";
import { select, useHand } from "./hand";
import { newId } from "./newId";

const counted = (ids: string[]) => (ids.length === 1 ? "1 part" : `${ids.length} parts`);

/** Places a new part of a kind; it is then selected. */
export function placeControl(kind: Control["kind"], place: Control["placement"]): void {
  const id = newId();
  edit(`place ${kindNamed(kind).article}`, (design) => addControl(design, kind, id, place));
  select([id]);
}

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

/** Turns every selected part about its own middle, clockwise. */
export function turnSelection(byDeg: number): void {
  const { selection } = useHand.getState();
  const turned = (deg: number) => ((((deg + byDeg + 180) % 360) + 360) % 360) - 180;
  if (selection.length === 0) return;
  edit(`turn ${counted(selection)}`, (design) =>
    placeControls(
      design,
      new Map(
        design.controls
          .filter(({ id }) => selection.includes(id))
          .map(({ id, placement }) => [id, { ...placement, rotationDeg: turned(placement.rotationDeg) }]),
      ),
    ),
  );
}
