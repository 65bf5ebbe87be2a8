import { type ControllerProfile, usablePins } from "../catalogue/controllers/controllerProfile";
import type { Net } from "../circuits/net";
import { lacks } from "./capability";
import { padsBySide, sideOf } from "./pinSides";
import { sides } from "../document/pinWishes";

/** Usable pins in the order of a walk round the module: down the left side, along the bottom, up the right, back. */
function padsAround(profile: ControllerProfile): string[] {
  const bySide = new Map(padsBySide(profile, usablePins(profile)).map((pads) => [sideOf(profile, pads[0]), pads]));
  return [...sides].reverse().flatMap((side) => {
    const pads = bySide.get(side) ?? [];
    return (side === "right" || side === "top" ? [...pads].reverse() : pads).map(({ name }) => name);
  });
}

/** The next pin round the module that can serve a net and is not kept by another; the first one while it has none. */
export function nextPin(
  profile: ControllerProfile,
  net: Net,
  now: string | undefined,
  by: 1 | -1,
  kept: ReadonlySet<string>,
): string | null {
  const able = new Set(
    usablePins(profile)
      .filter((pin) => !lacks(pin, net.need!) && !kept.has(pin.name))
      .map(({ name }) => name),
  );
  const order = padsAround(profile).filter((name) => able.has(name));
  if (order.length === 0) return null;
  const at = now === undefined ? -1 : order.indexOf(now);
  if (at < 0) return by > 0 ? order[0] : order.at(-1)!;
  return order[(at + by + order.length) % order.length];
}
