import type { ControllerProfile, Pin } from "../catalogue/controllers/controllerProfile";
import type { Side } from "../document/pinWishes";

type Layout = Pick<ControllerProfile, "widthMm" | "heightMm" | "pins">;

const SAME_MM = 0.1;

const inLine = (pins: Pin[], axis: "xMm" | "yMm", at: number) =>
  pins.filter((pin) => Math.abs(pin[axis] - at) < SAME_MM).length;

/**
 * The side of the module that a pad is on, seen from its parts side: that of the row of pads it stands in, so that the
 * last pad of a long row still belongs to it; a pad in no row belongs to the nearest edge.
 */
export function sideOf({ widthMm, heightMm, pins }: Layout, { xMm, yMm }: Pin): Side {
  const [column, row] = [inLine(pins, "xMm", xMm), inLine(pins, "yMm", yMm)];
  const isNearer = widthMm / 2 - Math.abs(xMm) <= heightMm / 2 - Math.abs(yMm);
  if (column > row || (column === row && isNearer)) return xMm < 0 ? "left" : "right";
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
