import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns } from "@demo/index";
import { partsList } from "./partsList";
import { type PurchaseSupplier, type PurchaseWish, purchaseOf, usualSpares } from "./purchase";

const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
const offerAll = (each: number, names: string[]): PurchaseSupplier["offers"] =>
  names.map((part) => ({ part, pack: 1, least: 1, steps: [{ from: 1, each }] }));
const all = partsList(loom).map(({ name }) => name);
const supplier = (name: string, each: number, more: Partial<PurchaseSupplier> = {}): PurchaseSupplier => ({
  name,
  shipping: 5,
  minimum: 0,
  offers: offerAll(each, all),
  ...more,
});
const wish = (more: Partial<PurchaseWish>): PurchaseWish => ({
  devices: 1,
  spares: usualSpares,
  stock: new Map(),
  suppliers: [supplier("Near", 2)],
  ...more,
});
const line = (name: string, asked: Partial<PurchaseWish> = {}) =>
  purchaseOf(loom, wish(asked)).lines.find((one) => one.name === name)!;
const DIODE = "Diode 1N4148";

describe("a purchase", () => {
  it("has spares by the rule of the group, rounded up; wire as it is measured", () => {
    expect(line(DIODE).needed).toBe(71);
    expect(line(DIODE, { devices: 2 }).needed).toBe(141);
    const { count, needed } = line("Wire 0.2 mm², blue");
    expect(needed).toBeCloseTo(1.2 * count, 9);
    const none = { ...usualSpares, "small parts": { percent: 0, least: 0 } };
    expect(line(DIODE, { spares: none }).needed).toBe(64);
  });

  it("has at least so many spares as the rule says, also of few", () => {
    const [dunlin] = modularDesigns;
    const few = purchaseOf(dunlin, wish({})).lines.find(({ name }) => name === "Resistor 1.8 kΩ")!;
    expect([few.count, few.needed]).toEqual([2, 4]);
  });

  it("takes off what is in the drawer, and buys nothing of what is all there", () => {
    expect(line(DIODE, { stock: new Map([[DIODE, 70]]) })).toMatchObject({ open: 1, bought: { quantity: 1 } });
    expect(line(DIODE, { stock: new Map([[DIODE, 500]]) })).toMatchObject({ open: 0, bought: null });
  });

  it("adds up: goods, what lacks, shipping, and each line from the one it names", () => {
    const suppliers = [supplier("Near", 2, { minimum: 10_000 }), supplier("Far", 3, { shipping: 40 })];
    const { total, orders, lines, fromOne } = purchaseOf(loom, wish({ suppliers }));
    expect(orders.map((one) => one.supplier)).toEqual(["Far"]);
    expect(orders.reduce((sum, { goods, lacking, shipping }) => sum + goods + lacking + shipping, 0)).toBeCloseTo(
      total,
      9,
    );
    expect(lines.every(({ bought }) => bought?.supplier === "Far")).toBe(true);
    expect(fromOne.map((one) => one.total)).toEqual([10_005, total]);
  });

  it("is no dearer than all from one", () => {
    const suppliers = [supplier("Near", 2), supplier("Far", 1, { shipping: 12, offers: offerAll(1, all.slice(0, 3)) })];
    const { total, fromOne, orders } = purchaseOf(loom, wish({ suppliers }));
    expect(orders).toHaveLength(2);
    expect(total).toBeLessThan(fromOne[0].total!);
    expect(fromOne[1]).toMatchObject({ total: null, missing: all.slice(3) });
  });

  it("names what nobody offers, and buys the rest", () => {
    const { unoffered, total } = purchaseOf(
      loom,
      wish({ suppliers: [supplier("Near", 2, { offers: offerAll(2, [DIODE]) })] }),
    );
    expect(unoffered).toEqual(all.filter((name) => name !== DIODE));
    expect(total).toBe(5 + 2 * 71);
    expect(purchaseOf(loom, wish({ suppliers: [] }))).toMatchObject({ total: 0, unoffered: all });
  });

  it("tells the share that packs make one buy in vain", () => {
    const offers = [{ part: DIODE, pack: 100, least: 100, steps: [{ from: 1, each: 0.1 }] }];
    const { unusedShare } = purchaseOf(loom, wish({ suppliers: [supplier("Near", 2, { offers })] }));
    expect(unusedShare).toBeCloseTo(0.29, 9);
  });
});
