import type { ControllerProfile, Pin } from "../catalogue/controllers/controllerProfile";
import type { Side } from "./pinWishes";

/** The side of the module that a pad is nearest to, seen from its parts side. */
export function sideOf(profile: Pick<ControllerProfile, "widthMm" | "heightMm">, { xMm, yMm }: Pin): Side {
  const toSide = profile.widthMm / 2 - Math.abs(xMm);
  const toEnd = profile.heightMm / 2 - Math.abs(yMm);
  if (toSide <= toEnd) return xMm < 0 ? "left" : "right";
  return yMm < 0 ? "top" : "bottom";
}

/** Pads of each side in their order: downwards or to the right. */
export function padsBySide(profile: ControllerProfile, pins: Pin[]): Pin[][] {
  const bySide = new Map<Side, Pin[]>();
  for (const pin of pins) {
    const side = sideOf(profile, pin);
    bySide.set(side, [...(bySide.get(side) ?? []), pin]);
  }
  return [...bySide.entries()].map(([side, pads]) =>
    pads.sort((a, b) => (side === "left" || side === "right" ? a.yMm - b.yMm : a.xMm - b.xMm)),
  );
}
