import type { Pin } from "../../catalogue/controllers/controllerProfile";
import type { Net } from "../../circuits/net";
import type { Derived } from "../../derived/derive";
import { freePin } from "../../edits/pins";
import type { Design } from "../../document/schema";
import { type Fix } from "../finding";

/** Nets with the pins they are on; a pin name that the profile does not have comes as undefined. */
export function placed(
  design: Design,
  { profile, signalNets }: Derived,
): { net: Net; name: string; pin: Pin | undefined }[] {
  if (!profile) return [];
  const pins = new Map(profile.pins.filter((pin) => pin.role === "io").map((pin) => [pin.name, pin]));
  return signalNets.flatMap((net) => {
    const name = design.pinPlan[net.id]?.pin;
    return name === undefined ? [] : [{ net, name, pin: pins.get(name) }];
  });
}

export const free = (net: Net): Fix => ({ title: `Free the pin of ${net.flag}`, apply: (d) => freePin(d, net.id) });
