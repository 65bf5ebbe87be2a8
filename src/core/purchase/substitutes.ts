import type { Control } from "../catalogue/kinds";
import { kindOf } from "../catalogue/kinds";
import type { Part, Shape } from "../catalogue/parts/part";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";

/** Another part in the place of one: what it is, and what in the design would be different. */
export interface Substitute {
  partId: string;
  title: string;
  /** Money units a piece more or less, at usual prices. */
  dearer: number;
  /** Nothing here: it goes in as it is. */
  differences: string[];
}

const sizeWords = (shape: Shape | null) =>
  shape === null
    ? "none"
    : shape.radiusMm * 2 >= shape.widthMm
      ? `Ø ${shape.widthMm} mm`
      : `${shape.widthMm} × ${shape.heightMm} mm`;

const sameShape = (a: Shape | null, b: Shape | null) =>
  a === b ||
  (a !== null && b !== null && a.widthMm === b.widthMm && a.heightMm === b.heightMm && a.radiusMm === b.radiusMm);

const plateWords = ({ plateMm }: Part) => (plateMm === null ? "any" : `${plateMm.min} to ${plateMm.max} mm`);

/** What somebody who changes the part has to look at again. */
function differencesOf(now: Part, other: Part): string[] {
  const shapes: [string, Shape | null, Shape | null][] = [
    ["opening", now.opening, other.opening],
    ["body", now.body, other.body],
    ["room behind", now.behind, other.behind],
  ];
  return [
    ...shapes
      .filter(([, a, b]) => !sameShape(a, b))
      .map(([name, a, b]) => `${name} ${sizeWords(b)} in place of ${sizeWords(a)}`),
    ...(plateWords(now) === plateWords(other) ? [] : [`plate ${plateWords(other)} in place of ${plateWords(now)}`]),
    ...(now.aboveMm === other.aboveMm ? [] : [`${other.aboveMm} mm high in place of ${now.aboveMm} mm`]),
    ...(now.belowMm === other.belowMm ? [] : [`${other.belowMm} mm deep in place of ${now.belowMm} mm`]),
    ...((now.cap === null) === (other.cap === null) ? [] : [other.cap ? "carries its own cap" : "wants a cap"]),
  ];
}

/** Parts with the same terminals that could take the place of a control's, those with the fewest differences first. */
export function substitutesFor(design: Design, control: Control): Substitute[] {
  const { parts } = derive(design);
  const now = derive(design).partOf(control);
  return [...parts.values()]
    .filter(({ id, kind }) => kind === kindOf(control).kind && id !== now.id)
    .map((other) => ({
      partId: other.id,
      title: other.title,
      dearer: other.price - now.price,
      differences: differencesOf(now, other),
    }))
    .sort((a, b) => a.differences.length - b.differences.length || a.dearer - b.dearer);
}
