import type { PartsGroup, SpareRule } from "../document/purchaseSettings";
import type { Design } from "../document/schema";
import { type Bought, type Offer, cheapestEnough } from "./offers";
import type { PartsLine } from "./partsLine";
import { partsList } from "./partsList";
import { type Split, type SupplierTerms, splitOrders } from "./splitOrders";

/** Common practice: small parts are cheap and lost easily, wire has ends; of dear parts nobody buys a second one. */
export const usualSpares: Record<PartsGroup, SpareRule> = {
  controllers: { percent: 0, least: 0 },
  controls: { percent: 3, least: 1 },
  caps: { percent: 0, least: 0 },
  "added parts": { percent: 10, least: 0 },
  "small parts": { percent: 10, least: 2 },
  plugs: { percent: 0, least: 0 },
  wire: { percent: 20, least: 0 },
  plates: { percent: 0, least: 0 },
};

export interface PurchaseSupplier extends SupplierTerms {
  name: string;
  /** By the name of a line of the parts list. */
  offers: ({ part: string } & Offer)[];
}

export interface PurchaseWish {
  devices: number;
  spares: Record<PartsGroup, SpareRule>;
  /** What is in the drawer, by the name of a line. */
  stock: ReadonlyMap<string, number>;
  suppliers: PurchaseSupplier[];
}

/** A line of the parts list as it is bought. */
export interface PurchaseLine extends PartsLine {
  /** For all devices, with spares. */
  needed: number;
  inStock: number;
  /** What is left to buy. */
  open: number;
  /** From whom and how much; null where nothing is open, or nobody offers it. */
  bought: ({ supplier: string } & Bought) | null;
}

export interface Purchase {
  lines: PurchaseLine[];
  /** What has no offer though it is open. */
  unoffered: string[];
  total: number;
  bound: number;
  proof: Split["proof"];
  /** Of each supplier of whom something is bought. */
  orders: { supplier: string; goods: number; lacking: number; shipping: number }[];
  /** Everything from one of them: what it costs, or what that one does not have. */
  fromOne: { supplier: string; total: number | null; missing: string[] }[];
  /** Bought and not needed, as a part of what goods cost. */
  unusedShare: number;
}

/** Pieces are whole; wire is bought as it is measured. */
function neededOf({ count, unit, group }: PartsLine, { devices, spares }: PurchaseWish): number {
  const { percent, least } = spares[group];
  const plain = count * devices;
  const more = Math.max((plain * percent) / 100, least);
  return unit === "piece" ? Math.ceil(plain + more - 1e-9) : plain + more;
}

function toBuy(design: Design, wish: PurchaseWish): PurchaseLine[] {
  return partsList(design).map((line) => {
    const needed = neededOf(line, wish);
    const inStock = wish.stock.get(line.name) ?? 0;
    return { ...line, needed, inStock, open: Math.max(0, needed - inStock), bought: null };
  });
}

type Offers = (Bought | null)[][];

/** What all of an open line costs at each supplier. */
const offersFor = (open: PurchaseLine[], suppliers: PurchaseSupplier[]): Offers =>
  open.map((line) =>
    suppliers.map(({ offers }) => {
      const offer = offers.find(({ part }) => part === line.name);
      return offer ? cheapestEnough(offer, line.open) : null;
    }),
  );

const costs = (offers: Offers) => offers.map((row) => row.map((one) => one?.cost ?? null));

function fromOneOf(open: PurchaseLine[], offers: Offers, suppliers: PurchaseSupplier[]): Purchase["fromOne"] {
  return suppliers.map(({ name, shipping, minimum }, nth) => {
    const missing = open.flatMap((line, part) => (offers[part][nth] ? [] : [line.name]));
    const goods = offers.reduce((sum, row) => sum + (row[nth]?.cost ?? 0), 0);
    return { supplier: name, total: missing.length > 0 ? null : shipping + Math.max(goods, minimum), missing };
  });
}

function ordersOf(bought: { supplier: string; cost: number }[], suppliers: PurchaseSupplier[]): Purchase["orders"] {
  return suppliers.flatMap(({ name, shipping, minimum }) => {
    const own = bought.filter(({ supplier }) => supplier === name);
    if (own.length === 0) return [];
    const goods = own.reduce((sum, { cost }) => sum + cost, 0);
    return [{ supplier: name, goods, lacking: Math.max(0, minimum - goods), shipping }];
  });
}

/**
 * What to buy where for some devices: the cheapest split over suppliers, each line from one of them, with shipping and minimum orders.
 * @param wish supplier names differ from each other
 */
export function purchaseOf(design: Design, wish: PurchaseWish): Purchase {
  const { suppliers } = wish;
  const lines = toBuy(design, wish);
  const open = lines.filter((line) => line.open > 0);
  const offered = open.filter(({ name }) => suppliers.some(({ offers }) => offers.some(({ part }) => part === name)));
  const offers = offersFor(offered, suppliers);
  const split = splitOrders({ suppliers, costs: costs(offers) });
  offered.forEach((line, nth) => {
    const supplier = split.supplierOf[nth];
    line.bought = { supplier: suppliers[supplier].name, ...offers[nth][supplier]! };
  });
  const bought = offered.flatMap(({ bought: one }) => one ?? []);
  const goods = bought.reduce((sum, { cost }) => sum + cost, 0);
  const unused = offered.reduce(
    (sum, { open: need, bought: one }) => sum + (one!.cost * (one!.quantity - need)) / one!.quantity,
    0,
  );
  return {
    lines,
    unoffered: open.filter((line) => !offered.includes(line)).map(({ name }) => name),
    total: split.total,
    bound: split.bound,
    proof: split.proof,
    orders: ordersOf(bought, suppliers),
    fromOne: fromOneOf(open, offersFor(open, suppliers), suppliers),
    unusedShare: goods > 0 ? unused / goods : 0,
  };
}
