import type { Point } from "../geometry/point";
import { type Opening, stripAlong } from "./openings";
import { type CasePlan, GAP_MM, type KeepOut, type Tower, wayOutMm } from "./casePlan";
import type { Flat, Solid, SolidShop } from "./solidKernel";

/** Solids that cut reach a little beyond what they cut. */
const OVER_MM = 1;

/** Where the plate goes in, and the outside of the wall. */
export function wallFlats(shop: SolidShop, { edge, settings, ledgeMm }: CasePlan) {
  const plate = shop.area([edge]);
  return {
    seat: shop.grown(plate, settings.clearMm),
    inside: ledgeMm > 0 ? shop.grown(plate, -ledgeMm) : shop.grown(plate, settings.clearMm),
    outside: shop.grown(plate, settings.clearMm + settings.wallMm),
  };
}

export const discAt = (shop: SolidShop, { xMm, yMm }: Point, acrossMm: number): Flat =>
  shop.kept(shop.kept(shop.module.CrossSection.circle(acrossMm / 2, 72)).translate(xMm, -yMm));

/** Ways through the wall; one that leaves too thin a bridge above it is open to the top. */
export function openingSolid(shop: SolidShop, plan: CasePlan, opening: Opening): Solid {
  const strip = shop.area([stripAlong(opening, OVER_MM, wayOutMm(plan, opening) + OVER_MM)]);
  const isThin = plan.rimMm - opening.toMm < 1.2;
  return shop.raised(strip, opening.fromMm, isThin ? plan.rimMm + OVER_MM : opening.toMm);
}

/** Rooms of bodies by the height at which they begin, so that each height is raised once. */
export function roomsOf(shop: SolidShop, keepOuts: KeepOut[], fromMm: number, toMm: number): Solid[] {
  const byHeight = new Map<number, KeepOut[]>();
  for (const one of keepOuts) {
    const height = Math.max(one.fromMm, fromMm);
    if (height < toMm) byHeight.set(height, [...(byHeight.get(height) ?? []), one]);
  }
  return [...byHeight].map(([height, ones]) =>
    shop.raised(shop.areaOf(ones.map(({ outline }) => outline)), height, toMm + OVER_MM),
  );
}

const towerSolid = (shop: SolidShop, plan: CasePlan, tower: Tower): Solid =>
  shop.raised(discAt(shop, tower.at, tower.outerMm), plan.floorMm - 0.1, plan.seatMm);

function holeSolid(shop: SolidShop, plan: CasePlan, { at, holeMm, deepMm }: Tower): Solid {
  const bottom = Math.max(plan.seatMm - deepMm, plan.backMm - OVER_MM);
  return shop.raised(discAt(shop, at, holeMm), bottom, plan.seatMm + OVER_MM);
}

/**
 * A tray around a board: floor, walls with a ledge where the case carries the plate's edge, towers where standoffs stand, ways for plugs and cables. Every
 * body has its air, up to the front, so that the plate with all that hangs on it can be lowered in.
 */
export function traySolid(shop: SolidShop, plan: CasePlan): Solid {
  const { seat, inside, outside } = wallFlats(shop, plan);
  const { backMm, floorMm, seatMm, rimMm, keepOuts, towers, openings } = plan;
  const block = shop.raised(outside, backMm, Math.max(rimMm, seatMm));
  const hollow = shop.cut(block, [
    shop.raised(inside, floorMm, rimMm + OVER_MM),
    shop.raised(seat, seatMm, rimMm + OVER_MM),
  ]);
  const standing = towers.filter(({ outerMm }) => outerMm > 0).map((tower) => towerSolid(shop, plan, tower));
  const within = shop.raised(seat, floorMm - GAP_MM, seatMm);
  const withTowers = standing.length > 0 ? shop.joined([hollow, shop.common(shop.joined(standing), within)]) : hollow;
  return shop.cut(withTowers, [
    ...roomsOf(shop, keepOuts, floorMm, Math.max(rimMm, seatMm)),
    ...towers.map((tower) => holeSolid(shop, plan, tower)),
    ...openings.map((opening) => openingSolid(shop, plan, opening)),
  ]);
}
