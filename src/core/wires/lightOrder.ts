import type { LightChain } from "../circuits/lightChain";
import { indexedLights } from "../circuits/lightChain";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { distanceMm } from "../geometry/point";
import { type Placed, readingRows } from "../geometry/readingOrder";

/** Ways to order a chain: each row from the left, or to and fro, which needs no long way back. */
export const lightOrders = ["row-by-row", "serpentine", "shortest"] as const;
export type LightOrder = (typeof lightOrders)[number];

function placesOf(design: Design, members: string[]): Placed[] {
  const { elements, controls } = derive(design);
  return members.flatMap((id) => {
    const element = elements.get(id);
    return element ? [{ id, at: controls.get(element.controlId)!.placement }] : [];
  });
}

const lengthMm = (order: Placed[]) =>
  order.slice(1).reduce((sum, light, nth) => sum + distanceMm(order[nth].at, light.at), 0);

/** From the first light always on to the nearest that is left, then every pair of steps uncrossed (2-opt, Croes 1958). */
function shortest(lights: Placed[]): Placed[] {
  const left = [...lights];
  const order = left.splice(0, 1);
  while (left.length > 0) {
    const here = order.at(-1)!;
    const nearest = left.reduce((a, b) => (distanceMm(b.at, here.at) < distanceMm(a.at, here.at) ? b : a));
    order.push(...left.splice(left.indexOf(nearest), 1));
  }
  return uncrossed(order);
}

function uncrossed(start: Placed[]): Placed[] {
  let order = start;
  for (let improved = true; improved;) {
    improved = false;
    for (let i = 0; i < order.length - 2; i++)
      for (let j = i + 2; j < order.length; j++) {
        const turned = [...order.slice(0, i + 1), ...order.slice(i + 1, j + 1).reverse(), ...order.slice(j + 1)];
        if (lengthMm(turned) < lengthMm(order) - 1e-6) {
          order = turned;
          improved = true;
        }
      }
  }
  return order;
}

/** The lights of a chain in another order of their places. */
export function lightsInOrder(design: Design, chain: LightChain, order: LightOrder): string[] {
  const rows = readingRows(placesOf(design, chain.members), design.pitch.yMm / 2);
  const lights =
    order === "shortest"
      ? shortest(rows.flat())
      : rows.flatMap((row, nth) => (order === "serpentine" && nth % 2 === 1 ? [...row].reverse() : row));
  return lights.map(({ id }) => id);
}

export const chainMm = (design: Design, chain: LightChain): number => lengthMm(placesOf(design, chain.members));

export interface LightRow {
  id: string;
  label: string;
  /** Null while bridged. */
  index: number | null;
  /** How far its index has moved because lights before it are bridged. */
  shift: number;
}

/** Each light's index as firmware counts them, and how bridges have shifted it. */
export function lightTable(design: Design, chain: LightChain): LightRow[] {
  const { elements } = derive(design);
  const indexed = indexedLights(chain);
  return chain.members.map((id, nth) => {
    const index = indexed.indexOf(id);
    return {
      id,
      label: elements.get(id)?.label ?? id,
      index: index < 0 ? null : index,
      shift: index < 0 ? 0 : index - nth,
    };
  });
}
