import { controllerCatalogue } from "../catalogue/controllers";
import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import type { Controller, Design } from "../document/schema";
import { type Outline, placeOutline, roundedRectangle } from "../geometry/outline";

/** The person's own classes first, so that a copy with the same id can replace one of the catalogue. */
export const profileNamed = (design: Design, id: string): ControllerProfile | null =>
  [...design.profiles, ...controllerCatalogue].find((profile) => profile.id === id) ?? null;

/** A controller of the design with what its class says. */
export interface PlacedController {
  controller: Controller;
  /** Null when nobody knows the class. */
  profile: ControllerProfile | null;
  /** The module's outline on the mat. */
  outline: Outline | null;
}

export function placedController(design: Design, controller: Controller): PlacedController {
  const profile = profileNamed(design, controller.profileId);
  const body = profile && roundedRectangle(profile.widthMm, profile.heightMm, 0);
  return { controller, profile, outline: body && placeOutline(body, controller.placement) };
}
