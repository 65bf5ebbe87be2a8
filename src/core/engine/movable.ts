import type { Control } from "../catalogue/kinds";
import { kindOf } from "../catalogue/kinds";
import type { Element } from "../catalogue/kinds/controlKind";
import { onControl } from "../catalogue/kinds/endAt";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { boundsOf } from "../geometry/outline";
import type { Point } from "../geometry/point";

const isMovable = ({ kind }: Element) => kind === "switch" || kind === "quadrature";

/** Ends of a control that a hand can move: its contacts and turns, in their order. */
export const movableEnds = (control: Control): Element[] => kindOf(control).elements(control).filter(isMovable);

/** Axes of a control: wipers of its voltages. */
export const wipersOf = (control: Control): Element[] =>
  kindOf(control)
    .elements(control)
    .filter(({ kind }) => kind === "analog");

/** The first end of a control that can be pressed, or turned. */
export const firstEnd = (control: Control, kind: "switch" | "quadrature"): Element | undefined =>
  movableEnds(control).find((element) => element.kind === kind);

/** The end of a control that a finger on a place of the mat moves. */
export function endUnder(design: Design, control: Control, at: Point): Element | undefined {
  const ends = movableEnds(control);
  const { endAt } = kindOf(control);
  if (!endAt) return ends[0];
  const box = boundsOf(kindOf(control).cap(control, design.pitch, derive(design).partOf(control)));
  const radiusMm = box ? Math.min(box.maxXMm - box.minXMm, box.maxYMm - box.minYMm) / 2 : 1;
  return endAt(ends, onControl(control, at), Math.max(1, radiusMm)) ?? ends[0];
}
