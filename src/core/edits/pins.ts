import type { PinPlanResult } from "../pins/planPins";
import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { clearanceMm } from "../geometry/clearance";
import { boundsOf, placeOutline, roundedRectangle } from "../geometry/outline";
import { derive } from "../derived/derive";
import { profileNamed } from "../derived/placedController";
import type { Controller, Design } from "../document/schema";

/** Room between the controls and a module laid beside them. */
const BESIDE_MM = 14;

function placeBeside(design: Design, widthMm: number, heightMm: number): Controller["placement"] {
  const box = boundsOf(derive(design).caps);
  const boardId = design.boards[0].id;
  if (!box) return { xMm: 0, yMm: 0, rotationDeg: 0, boardId };
  const yMm = Math.round((box.minYMm + heightMm / 2) * 100) / 100;
  return { xMm: Math.round((box.maxXMm + BESIDE_MM + widthMm / 2) * 100) / 100, yMm, rotationDeg: 0, boardId };
}

/** Whether a module of this class would lie on caps where the present one lies. */
function coversCaps(design: Design, profile: ControllerProfile, { placement, side }: Controller): boolean {
  if (side === "under") return false;
  const outline = placeOutline(roundedRectangle(profile.widthMm, profile.heightMm, 0), placement);
  return derive(design).caps.some((cap) => clearanceMm(outline, cap) < 0);
}

/**
 * Chooses a controller class. A module that would lie on caps is laid beside them. Choices of pins whose names the new class also has stay where they can be used;
 * the others become free.
 */
export function chooseController(design: Design, profileId: string): Design {
  const profile = profileNamed(design, profileId);
  if (!profile) return design;
  const [first, ...others] = design.controllers;
  const fresh: Controller = {
    id: "controller",
    profileId,
    placement: placeBeside(design, profile.widthMm, profile.heightMm),
    side: "top",
  };
  const moved = first && coversCaps(design, profile, first) ? { ...first, placement: fresh.placement } : first;
  const controller = moved ? { ...moved, profileId } : fresh;
  const names = new Set(profile.pins.filter((pin) => pin.role === "io").map((pin) => pin.name));
  const kept = Object.entries(design.pinPlan).filter(
    ([, choice]) => choice.controllerId !== controller.id || names.has(choice.pin),
  );
  return { ...design, controllers: [controller, ...others], pinPlan: Object.fromEntries(kept) };
}

/** Moves a controller, the main one where none is named. */
export function moveController(
  design: Design,
  change: Partial<Controller["placement"]> & { side?: Controller["side"] },
  controllerId = design.controllers[0]?.id,
): Design {
  const { side, ...place } = change;
  const controllers = design.controllers.map((controller) =>
    controller.id === controllerId
      ? { ...controller, placement: { ...controller.placement, ...place }, side: side ?? controller.side }
      : controller,
  );
  return { ...design, controllers };
}

/** Takes over a computed plan; locked choices are in it as they were. */
export function adoptPinPlan(design: Design, plan: Pick<PinPlanResult, "assignments">): Design {
  if (design.controllers.length === 0) return design;
  const { netById } = derive(design);
  const pinPlan: Design["pinPlan"] = {};
  for (const [netId, pin] of Object.entries(plan.assignments)) {
    const controllerId = netById.get(netId)?.controllerId;
    if (controllerId) pinPlan[netId] = { controllerId, pin, locked: design.pinPlan[netId]?.locked ?? false };
  }
  return { ...design, pinPlan };
}

/** Puts a net on a pin. A net that was there takes the other's old pin, or becomes free. Locked pins do not move. */
export function movePin(design: Design, netId: string, pin: string): Design {
  const controllerId = derive(design).netById.get(netId)?.controllerId;
  if (!controllerId) return design;
  const before = design.pinPlan[netId];
  const occupant = Object.entries(design.pinPlan).find(
    ([id, choice]) => id !== netId && choice.controllerId === controllerId && choice.pin === pin,
  );
  if (before?.locked || occupant?.[1].locked) return design;
  const pinPlan = { ...design.pinPlan, [netId]: { controllerId, pin, locked: false } };
  if (occupant && before) pinPlan[occupant[0]] = { ...occupant[1], pin: before.pin };
  else if (occupant) delete pinPlan[occupant[0]];
  return { ...design, pinPlan };
}

export function freePin(design: Design, netId: string): Design {
  const { [netId]: _, ...pinPlan } = design.pinPlan;
  return { ...design, pinPlan };
}

export function lockPins(design: Design, netIds: string[], locked: boolean): Design {
  const pinPlan = { ...design.pinPlan };
  for (const id of netIds) if (pinPlan[id]) pinPlan[id] = { ...pinPlan[id], locked };
  return { ...design, pinPlan };
}

/** Frees every pin that is not locked. */
export function clearPins(design: Design): Design {
  return { ...design, pinPlan: Object.fromEntries(Object.entries(design.pinPlan).filter(([, c]) => c.locked)) };
}
