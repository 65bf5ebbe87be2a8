import {
  MOST_SUPPLIERS,
  type NamedOffer,
  type PartsGroup,
  type PurchaseSettings,
  type SpareRule,
  type Supplier,
  usualPurchase,
} from "../document/purchaseSettings";
import type { Design } from "../document/schema";
import { changeControl } from "./controls";

export const setPurchase = (design: Design, change: Partial<PurchaseSettings>): Design => ({
  ...design,
  purchase: { ...(design.purchase ?? usualPurchase), ...change },
});

const settingsOf = ({ purchase }: Design) => purchase ?? usualPurchase;

export const addSupplier = (design: Design, id: string, name: string): Design =>
  setPurchase(design, {
    suppliers: [...settingsOf(design).suppliers, { id, name, shipping: 0, minimum: 0, offers: [] }],
  });

export const removeSupplier = (design: Design, id: string): Design =>
  setPurchase(design, { suppliers: settingsOf(design).suppliers.filter((one) => one.id !== id) });

export const changeSupplier = (design: Design, id: string, change: Partial<Supplier>): Design =>
  setPurchase(design, {
    suppliers: settingsOf(design).suppliers.map((one) => (one.id === id ? { ...one, ...change, id } : one)),
  });

/** Sets what a supplier asks for a part; null takes the offer away. */
export const setOffer = (
  design: Design,
  supplierId: string,
  part: string,
  offer: Omit<NamedOffer, "part"> | null,
): Design => {
  const supplier = settingsOf(design).suppliers.find(({ id }) => id === supplierId);
  if (!supplier) return design;
  const others = supplier.offers.filter((one) => one.part !== part);
  return changeSupplier(design, supplierId, { offers: offer ? [...others, { part, ...offer }] : others });
};

/** None in the drawer is no entry. */
export function setStock(design: Design, part: string, count: number): Design {
  const { stock } = settingsOf(design);
  const others = Object.entries(stock).filter(([name]) => name !== part);
  return setPurchase(design, { stock: Object.fromEntries(count > 0 ? [...others, [part, count]] : others) });
}

export const setSpares = (design: Design, group: PartsGroup, rule: SpareRule): Design =>
  setPurchase(design, { spares: { ...settingsOf(design).spares, [group]: rule } });

/** Another part for all controls that have this one. */
export const replacePart = (design: Design, from: string, partId: string): Design =>
  design.controls
    .filter((control) => control.partId === from)
    .reduce((changed, { id }) => changeControl(changed, id, { partId }), design);

/** Takes read prices in: suppliers by their names, new ones as far as there is room. @returns the names that found none */
export function takeOffers(
  design: Design,
  read: { supplier: string; offers: NamedOffer[] }[],
  newId: () => string,
): { design: Design; refused: string[] } {
  const refused: string[] = [];
  let changed = design;
  for (const { supplier, offers } of read) {
    let known = settingsOf(changed).suppliers.find(({ name }) => name === supplier);
    if (!known && settingsOf(changed).suppliers.length < MOST_SUPPLIERS) {
      changed = addSupplier(changed, newId(), supplier);
      known = settingsOf(changed).suppliers.at(-1)!;
    }
    if (!known) {
      refused.push(supplier);
      continue;
    }
    const names = new Set(offers.map(({ part }) => part));
    const kept = known.offers.filter(({ part }) => !names.has(part));
    changed = changeSupplier(changed, known.id, { offers: [...kept, ...offers].slice(-MOST_OFFERS) });
  }
  return { design: changed, refused };
}

/** As many as a design takes of one supplier. */
const MOST_OFFERS = 500;
