import type { Feet } from "./feet";
import type { Solid, SolidShop } from "./solidKernel";

/** Each wedge, its flat top at the case's back. */
export function footSolids(shop: SolidShop, { feet, away, pivotMm, tiltDeg }: Feet, backMm: number): Solid[] {
  const tilt = (Math.abs(tiltDeg) * Math.PI) / 180;
  // The desk: the plane through the standing edge that falls by the tilt; what lies above it stays.
  const normal: [number, number, number] = [away.xMm * Math.sin(tilt), -away.yMm * Math.sin(tilt), Math.cos(tilt)];
  const distance = pivotMm * Math.sin(tilt) + backMm * Math.cos(tilt);
  return feet.map(({ footprint, farMm }) =>
    shop.beyond(shop.raised(shop.area([footprint]), backMm - farMm - 1, backMm), normal, distance),
  );
}
