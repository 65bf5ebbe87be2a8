import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import { partsList } from "../purchase/partsList";
import { partCatalogue } from "../catalogue/parts";
import { purchaseView } from "../purchase/purchaseView";
import { substitutesFor } from "../purchase/substitutes";
import {
  addSupplier,
  changeSupplier,
  removeSupplier,
  replacePart,
  setOffer,
  setPurchase,
  setSpares,
  setStock,
  takeOffers,
} from "./purchase";

const glasshouse = demoDesigns.find(({ id }) => id === "glasshouse")!;
const isRead = (design: Design) => readDesign(JSON.parse(JSON.stringify(design))).ok;
const offer = (each: number) => ({ pack: 1, least: 0, steps: [{ from: 1, each }] });

/** Everything at Harbour for 1, lamps at Fen for a tenth of it. */
function twoSuppliers(design: Design): Design {
  const names = partsList(design).map(({ name }) => name);
  const both = addSupplier(addSupplier(design, "h", "Harbour"), "f", "Fen");
  const harbour = names.reduce((d, name) => setOffer(d, "h", name, offer(1)), both);
  return setOffer(harbour, "f", "Round lamp in a hole", offer(0.1));
}

describe("what is bought of whom", () => {
  it("is worked out of what the design keeps, with stock, shipping and spares", () => {
    const bought = purchaseView(twoSuppliers(glasshouse));
    expect(bought.unoffered).toEqual([]);
    expect(bought.orders.map(({ supplier }) => supplier).sort()).toEqual(["Fen", "Harbour"]);
    const dear = purchaseView(changeSupplier(twoSuppliers(glasshouse), "f", { shipping: 100 }));
    expect(dear.orders.map(({ supplier }) => supplier)).toEqual(["Harbour"]);
    expect(dear.total).toBe(dear.fromOne[0].total);
    const lamps = bought.lines.find(({ name }) => name === "Round lamp in a hole")!;
    const stocked = purchaseView(setStock(twoSuppliers(glasshouse), lamps.name, lamps.needed));
    expect(stocked.orders.map(({ supplier }) => supplier)).toEqual(["Harbour"]);
    expect(stocked.lines.find(({ name }) => name === lamps.name)).toMatchObject({ open: 0, bought: null });
    const none = purchaseView(setSpares(twoSuppliers(glasshouse), "controls", { percent: 0, least: 0 }));
    expect(none.lines.find(({ name }) => name === lamps.name)!.needed).toBe(24);
    expect(lamps.needed).toBe(25);
    expect(isRead(twoSuppliers(glasshouse))).toBe(true);
  });

  it("tells what other numbers of devices cost, the asked one among them", () => {
    const { costs, devices } = purchaseView(setPurchase(twoSuppliers(glasshouse), { devices: 3 }));
    expect(devices).toBe(3);
    expect(costs.map((one) => one.devices)).toEqual([1, 2, 3, 5, 30]);
    for (const one of costs) expect(one.each).toBeCloseTo(one.total / one.devices, 9);
  });

  it("without suppliers tells what usual prices come to, and how many lines have none", () => {
    const { usual, lines, total } = purchaseView(glasshouse);
    const byHand = lines.reduce((sum, { open, priceEach }) => sum + open * (priceEach ?? 0), 0);
    expect(usual.total).toBeCloseTo(byHand, 9);
    expect(usual.unpriced).toBe(lines.filter(({ priceEach }) => priceEach === null).length);
    expect(total).toBe(0);
  });

  it("takes read prices to suppliers by their names, and refuses a seventh", () => {
    let number = 0;
    const read = Array.from({ length: 7 }, (_, nth) => ({
      supplier: `Shop ${nth}`,
      offers: [{ part: "Diode 1N4148", ...offer(nth) }],
    }));
    const { design, refused } = takeOffers(glasshouse, read, () => `s${number++}`);
    expect(refused).toEqual(["Shop 6"]);
    expect(design.purchase!.suppliers.map(({ name }) => name)).toEqual([
      "Shop 0",
      "Shop 1",
      "Shop 2",
      "Shop 3",
      "Shop 4",
      "Shop 5",
    ]);
    const again = takeOffers(
      design,
      [{ supplier: "Shop 2", offers: [{ part: "Diode 1N4148", ...offer(9) }] }],
      () => "never",
    );
    expect(again.design.purchase!.suppliers[2].offers).toEqual([{ part: "Diode 1N4148", ...offer(9) }]);
    expect(isRead(again.design)).toBe(true);
  });

  it("takes offers, suppliers and stock away again, names like properties too", () => {
    const stocked = setStock(setStock(glasshouse, "__proto__", 3), "toString", 2);
    expect(Object.entries(stocked.purchase!.stock)).toEqual([
      ["__proto__", 3],
      ["toString", 2],
    ]);
    expect(purchaseView(stocked).unknown).toEqual(["__proto__", "toString"]);
    expect(Object.keys(setStock(stocked, "__proto__", 0).purchase!.stock)).toEqual(["toString"]);
    const both = twoSuppliers(glasshouse);
    expect(setOffer(both, "f", "Round lamp in a hole", null).purchase!.suppliers[1].offers).toEqual([]);
    expect(removeSupplier(both, "h").purchase!.suppliers.map(({ id }) => id)).toEqual(["f"]);
    expect(setOffer(both, "nobody", "x", offer(1))).toBe(both);
  });
});

describe("what else fits", () => {
  const toggle = glasshouse.controls.find(({ partId }) => partId === "toggle-6")!;

  it("has the same terminals, and says what would be different", () => {
    const [other] = substitutesFor(glasshouse, toggle);
    expect(other).toMatchObject({ partId: "toggle-12" });
    expect(other.dearer).toBeCloseTo(1.6, 9);
    expect(other.differences).toContain("opening Ø 12.2 mm in place of Ø 6.2 mm");
    for (const one of substitutesFor(glasshouse, toggle)) expect(one.partId).not.toBe("toggle-6");
  });

  it("is taken for all of them in one edit, and the list follows", () => {
    const replaced = replacePart(glasshouse, "toggle-6", "toggle-12");
    const count = (design: Design, name: string) => partsList(design).find((line) => line.name === name)?.count ?? 0;
    expect(count(replaced, "Full-size toggle, 12 mm bushing")).toBe(24);
    expect(count(replaced, "Miniature toggle, 6 mm bushing")).toBe(0);
    expect(isRead(replaced)).toBe(true);
  });

  it("of a part that goes in as it is tells nothing", () => {
    const same = {
      ...glasshouse,
      parts: [{ ...partCatalogue.find(({ id }) => id === "toggle-6")!, id: "own-toggle", title: "Another toggle" }],
    };
    expect(substitutesFor(same, toggle)[0]).toMatchObject({ partId: "own-toggle", differences: [], dearer: 0 });
  });
});
