import type { ControllerProfile, Pin } from "../catalogue/controllers/controllerProfile";
import { RAIL_IN, SUPPLY, rails } from "./net";

/** Volts that a pad may be off and still carry the rail. */
const NEAR_V = 0.2;

/** Pads at which a source of its own is fed in: those that say so, else those that pass the plug's 5 V on. */
function entryPads({ pins }: ControllerProfile): Pin[] {
  const entries = pins.filter(({ role, volts }) => role === "supply" && volts === null);
  return entries.length > 0 ? entries : pins.filter(({ role }) => role === "supply");
}

/**
 * Pads of a controller that carry a rail, the best first: the logic's own pads for its voltage, the supply's pads for
 * any other, so that lights and motors are not fed through the logic's regulator.
 */
export function railPads(profile: ControllerProfile, railId: string): Pin[] {
  if (railId === RAIL_IN) return entryPads(profile);
  const rail = rails.find(({ id }) => id === railId);
  if (!rail) return [];
  const volts = rail.volts ?? profile.logicV;
  const fits = (pin: Pin) => pin.volts !== null && Math.abs(pin.volts - volts) <= NEAR_V;
  const first = railId === SUPPLY ? "logic-supply" : "supply";
  const fed = profile.pins.filter((pin) => (pin.role === "supply" || pin.role === "logic-supply") && fits(pin));
  return [...fed.filter(({ role }) => role === first), ...fed.filter(({ role }) => role !== first)];
}
