import { USUAL_VELOCITY } from "../bindings/note";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { readingRows } from "../geometry/readingOrder";
import { LAST_NOTE } from "../hid/musicWords";
import { type ScaleId, noteOfScale } from "../keymap/scales";
import { bind } from "./keymap";

/** How notes are laid over keys. */
export interface NoteLay {
  first: number;
  scale: ScaleId;
  /** Whether the lowest note is in the row nearest to the player, or in the farthest. */
  from: "near" | "far";
  velocity: number;
  channel: number;
}

export const usualLay: NoteLay = { first: 60, scale: "chromatic", from: "near", velocity: USUAL_VELOCITY, channel: 0 };

/** Rows of the keys whose presses these are, as a reader sees them. */
export function rowsOfInputs(design: Design, inputIds: readonly string[]): string[][] {
  const { controls, inputs } = derive(design);
  const byId = new Map(inputs.map((input) => [input.id, input]));
  const placed = inputIds.flatMap((id) => {
    const control = controls.get(byId.get(id)?.controlId ?? "");
    return control ? [{ id, at: control.placement }] : [];
  });
  return readingRows(placed, design.pitch.yMm / 2).map((row) => row.map(({ id }) => id));
}

/** The keys in the order of their notes. */
export const noteOrder = (design: Design, inputIds: readonly string[], from: NoteLay["from"]): string[] => {
  const rows = rowsOfInputs(design, inputIds);
  return (from === "near" ? rows.reverse() : rows).flat();
};

/** Notes over keys, rising from the left, row by row. Null when they would run out: the last note of all is G9. */
export function layNotes(design: Design, layerId: string, inputIds: readonly string[], lay: NoteLay): Design | null {
  const order = noteOrder(design, inputIds, lay.from);
  if (noteOfScale(lay.scale, lay.first, order.length - 1) > LAST_NOTE) return null;
  return order.reduce(
    (d, id, nth) =>
      bind(d, layerId, id, {
        does: "note",
        note: noteOfScale(lay.scale, lay.first, nth),
        velocity: lay.velocity,
        channel: lay.channel,
      }),
    design,
  );
}
