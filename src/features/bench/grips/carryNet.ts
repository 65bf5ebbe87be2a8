import { derive } from "@/core/derived/derive";
import { movePin } from "@/core/edits/pins";
import type { Design } from "@/core/document/schema";
import { type Point, distanceMm } from "@/core/geometry/point";
import { pinPlace } from "@/core/pins/pinPlace";
import { edit } from "@/store/bench";
import { CLICK_MM, type Grip } from "./grip";

const PIN_REACH_MM = 8;

/** The I/O pin nearest to where a flag was dropped. */
function pinNear(design: Design, netId: string, at: Point): string | null {
  const derived = derive(design);
  const net = derived.netById.get(netId);
  const { controller, profile } = (net && derived.controllerOf(net)) ?? {};
  if (!controller || !profile) return null;
  const [near] = profile.pins
    .filter((pin) => pin.role === "io")
    .map((pin) => ({ name: pin.name, mm: distanceMm(pinPlace(controller, pin), at) }))
    .sort((a, b) => a.mm - b.mm);
  return near && near.mm <= PIN_REACH_MM ? near.name : null;
}

/** A net's flag is carried to another pin. */
export const carryNet = (design: Design, netId: string, from: Point): Grip => ({
  follow: ({ at }) => (distanceMm(from, at) > CLICK_MM ? { carried: { netId, ...at } } : {}),
  end({ at }) {
    const pin = distanceMm(from, at) > CLICK_MM ? pinNear(design, netId, at) : null;
    if (pin)
      edit(`move ${derive(design).netById.get(netId)?.flag ?? "a net"} to ${pin}`, (d) => movePin(d, netId, pin));
  },
});
