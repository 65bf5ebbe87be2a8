import { DISPLAYS } from "../contract/displays";
import { derive } from "../derived/derive";
import type { DisplayPage, PageThing } from "../document/displayPages";
import type { Design } from "../document/schema";

/** The page of a display on a layer; null for that of the layer beneath. */
export function setPage(design: Design, layerId: string, controlId: string, page: DisplayPage | null): Design {
  const layers = design.keymap.layers.map((layer) => {
    if (layer.id !== layerId) return layer;
    const { [controlId]: _, ...others } = layer.displays ?? {};
    return { ...layer, displays: page === null ? others : { ...others, [controlId]: page } };
  });
  return { ...design, keymap: { ...design.keymap, layers } };
}

interface Room {
  widthPx: number;
  heightPx: number;
}

/** Two columns of things beneath what stands on top. */
const MOST_COLUMN_PX = 60;
const GAP_PX = 6;

/**
 * A page to begin with: the layer's name on top, values of the first knobs, and what keys do in two columns, as many as there is room for.
 */
export function firstPage(design: Design, { widthPx, heightPx }: Room): DisplayPage {
  const rows = heightPx / 8;
  const isTall = rows >= 4;
  const top: PageThing = { shows: "layer", column: 0, row: 0, columns: widthPx, ...(isTall ? { large: true } : {}) };
  const { inputs } = derive(design);
  const knobs = [...derive(design).elements.values()]
    .filter(({ kind }) => kind === "quadrature")
    .slice(0, isTall ? 2 : 0);
  const bars = knobs.map(({ id }, nth): PageThing => ({
    shows: "bar",
    column: 0,
    row: 2 + nth,
    columns: widthPx,
    elementId: id,
  }));
  const first = (isTall ? 2 : 1) + bars.length;
  const beside = widthPx >= 2 * MOST_COLUMN_PX + GAP_PX ? 2 : 1;
  const columnPx = beside === 2 ? Math.floor((widthPx - GAP_PX) / 2 / DISPLAYS.CELL) * DISPLAYS.CELL : widthPx;
  const room = Math.min(DISPLAYS.THINGS - 1 - bars.length, beside * (rows - first));
  const bound = inputs.filter(
    ({ id, motion }) => motion === "press" && design.keymap.layers.some(({ bindings }) => Object.hasOwn(bindings, id)),
  );
  const deeds = bound.slice(0, Math.max(0, room)).map(({ id }, nth): PageThing => ({
    shows: "deed",
    column: (nth % beside) * (widthPx - columnPx),
    row: first + Math.floor(nth / beside),
    columns: columnPx,
    inputId: id,
  }));
  return [top, ...bars, ...deeds];
}
