import {
  type PartsGroup,
  type PurchaseSettings,
  type SpareRule,
  partsGroups,
  usualPurchase,
} from "../document/purchaseSettings";
import type { Design } from "../document/schema";
import { type Purchase, purchaseOf, usualSpares } from "./purchase";

/** For so many devices it is told what one costs. */
export const DEVICE_COUNTS = [1, 2, 5, 30];

export interface PurchaseView extends Purchase {
  devices: number;
  /** Prices that name no line of the list. */
  unknown: string[];
  /** What so many devices cost; not whole where a line has no offer. */
  costs: { devices: number; total: number; each: number; isWhole: boolean }[];
  /** What usual prices come to, before anybody was asked; lines without one are counted. */
  usual: { total: number; unpriced: number };
}

/** Where a person chose no rule of their own, the usual one. */
export const sparesOf = ({ spares }: Pick<PurchaseSettings, "spares">): Record<PartsGroup, SpareRule> =>
  Object.fromEntries(partsGroups.map((group) => [group, spares[group] ?? usualSpares[group]])) as Record<
    PartsGroup,
    SpareRule
  >;

/** What to buy where for the devices that are wished for, and what other numbers of devices would cost. */
export function purchaseView(design: Design): PurchaseView {
  const settings = design.purchase ?? usualPurchase;
  const { devices, suppliers } = settings;
  const wish = { devices, suppliers, spares: sparesOf(settings), stock: new Map(Object.entries(settings.stock)) };
  const bought = purchaseOf(design, wish);
  const names = new Set(bought.lines.map(({ name }) => name));
  const offered = suppliers.flatMap(({ offers }) => offers.map(({ part }) => part));
  const asked = [...Object.keys(settings.stock), ...offered];
  const priced = bought.lines.filter(({ priceEach }) => priceEach !== null);
  const counts = [...new Set([...DEVICE_COUNTS, devices])].sort((a, b) => a - b);
  return {
    ...bought,
    devices,
    unknown: [...new Set(asked)].filter((name) => !names.has(name)),
    costs: counts.map((count) => {
      const { total, unoffered } = count === devices ? bought : purchaseOf(design, { ...wish, devices: count });
      return { devices: count, total, each: total / count, isWhole: unoffered.length === 0 };
    }),
    usual: {
      total: priced.reduce((sum, { open, priceEach }) => sum + open * priceEach!, 0),
      unpriced: bought.lines.length - priced.length,
    },
  };
}
