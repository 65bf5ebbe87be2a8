import { derive } from "@/core/derived/derive";
import { movePin } from "@/core/edits/pins";
import { nextPin } from "@/core/pins/padOrder";
import { currentDesign, edit } from "@/store/bench";

/** A net goes to the next or the last free pin round its module; a taken pin is swapped, a kept one is passed over. */
export function stepPin(netId: string, by: 1 | -1): void {
  const design = currentDesign();
  const derived = design && derive(design);
  const net = derived?.netById.get(netId);
  const profile = net && derived!.controllerOf(net)?.profile;
  if (!design || !net || !profile) return;
  const kept = new Set(
    Object.values(design.pinPlan).flatMap(({ pin, locked, controllerId }) =>
      locked && controllerId === net.controllerId ? [pin] : [],
    ),
  );
  const pin = nextPin(profile, net, design.pinPlan[netId]?.pin, by, kept);
  if (pin) edit(`move ${net.flag} to ${pin}`, (d) => movePin(d, netId, pin));
}
