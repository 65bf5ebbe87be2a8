import type { Point } from "../geometry/point";
import { type Opening, stripAlong } from "./openings";
import { type CasePlan, type KeepOut, type Tower, wayOutMm } from "./casePlan";
import type { Flat, Solid, SolidShop } from "./solidKernel";

/** Solids that cut reach a little beyond what they cut. */
const OVER_MM = 1;
/** So far a tower stands in the floor, so that both become one body. */
const SUNK_MM = 0.3;

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

/** Things by a height, so that each height is raised once. */
function byHeight<T>(all: T[], heightOf: (one: T) => number): [number, T[]][] {
  const groups = new Map<number, T[]>();
  for (const one of all) groups.set(heightOf(one), [...(groups.get(heightOf(one)) ?? []), one]);
  return [...groups];
}

/** Rooms of bodies, where there is something to cut: what hangs free in the hollow needs none. */
function roomsOf(shop: SolidShop, keepOuts: KeepOut[], matter: Flat, fromMm: number, toMm: number): Solid[] {
  const reaching = keepOuts.filter((one) => one.fromMm < toMm);
  return byHeight(reaching, (one) => Math.max(one.fromMm, fromMm)).map(([height, ones]) => {
    const rooms = shop.areaOf(ones.map(({ outline }) => outline));
    return shop.raised(shop.shared(rooms, matter), height, toMm + OVER_MM);
  });
}

const discsOf = (shop: SolidShop, towers: Tower[], acrossOf: (tower: Tower) => number): Flat =>
  shop.together(towers.map((tower) => discAt(shop, tower.at, acrossOf(tower))));

function holesOf(shop: SolidShop, { towers, seatMm, backMm }: CasePlan): Solid[] {
  return byHeight(towers, ({ deepMm }) => Math.max(seatMm - deepMm, backMm - OVER_MM)).map(([bottom, ones]) =>
    shop.raised(
      discsOf(shop, ones, ({ holeMm }) => holeMm),
      bottom,
      seatMm + OVER_MM,
    ),
  );
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
  const standing = towers.filter(({ outerMm }) => outerMm > 0);
  const discs = shop.shared(
    discsOf(shop, standing, ({ outerMm }) => outerMm),
    seat,
  );
  const withTowers =
    standing.length > 0 ? shop.joined([hollow, shop.raised(discs, floorMm - SUNK_MM, seatMm)]) : hollow;
  // A little of the hollow too, so that no film is left where both end on the same line.
  const matter = shop.grown(shop.together([shop.without(outside, inside), discs]), SUNK_MM);
  return shop.cut(withTowers, [
    ...roomsOf(shop, keepOuts, matter, floorMm, Math.max(rimMm, seatMm)),
    ...holesOf(shop, plan),
    ...openings.map((opening) => openingSolid(shop, plan, opening)),
  ]);
}
