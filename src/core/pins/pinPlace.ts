import type { Pin } from "../catalogue/controllers/controllerProfile";
import type { Net } from "../circuits/net";
import type { Controller } from "../document/schema";
import { type Point, distanceMm, place, point } from "../geometry/point";

/** Where a pin lies on the mat. A module under the board shows its other side, so left and right change places. */
export const pinPlace = (controller: Controller, pin: Pin): Point =>
  place(point(controller.side === "under" ? -pin.xMm : pin.xMm, pin.yMm), controller.placement);

/** The contact of a net that is nearest to a place: there its lead begins. */
export function nearestJoint(net: Net, at: Point): { at: Point; distanceMm: number } {
  let best = { at: net.joints[0].at, distanceMm: distanceMm(net.joints[0].at, at) };
  for (const joint of net.joints) {
    const distance = distanceMm(joint.at, at);
    if (distance < best.distanceMm) best = { at: joint.at, distanceMm: distance };
  }
  return best;
}
