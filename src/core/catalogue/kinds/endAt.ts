import { type Point, rotate } from "../../geometry/point";
import type { ControlBase, Element } from "./controlKind";

/** A place on the mat as the control itself sees it: from its centre, upright. */
export function onControl({ placement }: ControlBase, at: Point): Point {
  const turned = rotate({ xMm: at.xMm - placement.xMm, yMm: at.yMm - placement.yMm }, -placement.rotationDeg);
  return { xMm: turned.xMm, yMm: turned.yMm };
}

const named = (elements: Element[], end: string) => elements.find((element) => element.end === end);

/** Quarter circles about a small middle: right, down, left, up. */
const DIRECTIONS = ["right", "down", "left", "up"];

/** Which end a finger moves: the middle of a five-way pushes it, its sides tilt it. */
export function fiveWayEnd(elements: Element[], at: Point, radiusMm: number): Element | undefined {
  if (Math.hypot(at.xMm, at.yMm) < radiusMm / 3) return named(elements, "press");
  const quarter = Math.round(Math.atan2(at.yMm, at.xMm) / (Math.PI / 2));
  return named(elements, DIRECTIONS[(quarter + 4) % 4]);
}

/** The upper half of a lever moves it up, the lower half down, where it has an end there. */
export const leverEnd = (elements: Element[], at: Point): Element | undefined =>
  (at.yMm > 0 ? named(elements, "down") : undefined) ?? named(elements, "press");

/** From the rim inwards: the outer ring, the inner one where there is one, and the push where it can be pushed. */
export function knobEnd(elements: Element[], at: Point, radiusMm: number): Element | undefined {
  const rings = elements.filter(({ kind }) => kind === "quadrature");
  const pushes = elements.filter(({ kind }) => kind === "switch");
  const fromRim = [...rings, ...pushes];
  const part = Math.min(0.999, Math.hypot(at.xMm, at.yMm) / radiusMm);
  return fromRim[fromRim.length - 1 - Math.floor(part * fromRim.length)];
}
