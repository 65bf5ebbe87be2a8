import type { Derived, OwnedOutline } from "../derived/derive";
import { overlaps } from "../geometry/clearance";
import { closePairs } from "../geometry/closePairs";
import type { Outline } from "../geometry/outline";
import { type Point, place, point } from "../geometry/point";

/** Room that parts need on one side of the plate. */
export const keepOuts = (derived: Derived, side: "front" | "behind"): OwnedOutline[] =>
  side === "front" ? derived.roomBefore : derived.roomBehind;

export interface OwnedPair {
  first: number;
  second: number;
  clearanceMm: number;
}

/** Near so many others, a shape is in a crowd that is told as one; no part that fits has as many neighbours. */
export const CROWD_MOST = 64;

/** Pairs of shapes of different controls on one board that are nearer than asked; each two controls once, the nearest. */
export function ownedPairs(derived: Derived, shapes: OwnedOutline[], withinMm: number): OwnedPair[] {
  const boardOf = (owner: number) => derived.design.controls[owner].placement.boardId;
  const nearest = new Map<string, OwnedPair>();
  const pairs = closePairs(
    shapes.map(({ outline }) => outline),
    withinMm,
    CROWD_MOST,
  );
  for (const { a, b, clearanceMm } of pairs) {
    const [first, second] = [shapes[a].owner, shapes[b].owner].sort((p, q) => p - q);
    if (first === second || boardOf(first) !== boardOf(second)) continue;
    const known = nearest.get(`${first} ${second}`);
    if (!known || clearanceMm < known.clearanceMm) nearest.set(`${first} ${second}`, { first, second, clearanceMm });
  }
  return [...nearest.values()];
}

/** From a module's own coordinates to the mat's; a module under the board shows its other side. */
export const moduleToMat = ({ controller }: Derived, p: Point): Point =>
  place(point(controller!.side === "under" ? -p.xMm : p.xMm, p.yMm), controller!.placement);

/** A plug's shell is wider than its socket (from memory: an overmould of about 12 mm). */
const SHELL_MM = 12;

/** Room for the plug before the module's connector, on the mat; null without a connector. */
export function plugOutline(derived: Derived): Outline | null {
  const connector = derived.profile?.connector;
  if (!derived.controller || !connector || connector.plugMm === 0) return null;
  const half = Math.max(connector.widthMm, SHELL_MM) / 2;
  const away = { top: [0, -1], bottom: [0, 1], left: [-1, 0], right: [1, 0] }[connector.side];
  const corner = (out: number, across: number) =>
    moduleToMat(
      derived,
      point(connector.xMm + away[0] * out + away[1] * across, connector.yMm + away[1] * out + away[0] * across),
    );
  return {
    core: [corner(0, -half), corner(connector.plugMm, -half), corner(connector.plugMm, half), corner(0, half)],
    radiusMm: 0,
  };
}

/** Controls, by their index, that stand in the way of the plug. */
export function plugBlockers(derived: Derived): number[] {
  const plug = plugOutline(derived);
  const { controller, design } = derived;
  if (!plug || !controller) return [];
  const shapes = controller.side === "under" ? keepOuts(derived, "behind") : derived.capPieces;
  const blocking = shapes.filter(
    ({ owner, outline }) =>
      design.controls[owner].placement.boardId === controller.placement.boardId && overlaps(plug, outline),
  );
  return [...new Set(blocking.map(({ owner }) => owner))];
}
