import { bad, good } from "@/core/document/problem";
import { type PartsGroup, type SpareRule, partsGroups } from "@/core/document/purchaseSettings";
import { partsList } from "@/core/purchase/partsList";
import { type Purchase, type PurchaseWish, purchaseOf, usualSpares } from "@/core/purchase/purchase";
import { between, listOf, text, whole, z } from "@/core/schema";
import { jsonReply, readOptions, withDesign } from "./reply";
import type { Task } from "./tasks";

const money = between(0, 1_000_000);
const quantity = between(0, 1_000_000);

const stepSchema = z.strictObject({ from: between(0, 1_000_000), each: money });
const offerSchema = z.strictObject({
  part: text(1, 200),
  pack: z._default(between(0.01, 100_000), 1),
  least: z._default(quantity, 0),
  steps: listOf(stepSchema, 20),
});
const supplierSchema = z.strictObject({
  name: text(1, 80),
  shipping: z._default(money, 0),
  minimum: z._default(money, 0),
  offers: listOf(offerSchema, 500),
});
const spareSchema = z.strictObject({ percent: between(0, 1000), least: whole(0, 10_000) });

/** `spares` by the group of the list, `stock` by the name of a line. */
const optionsSchema = z.strictObject({
  devices: z._default(whole(1, 1000), 1),
  spares: z._default(z.partial(z.strictObject(Object.fromEntries(partsGroups.map((one) => [one, spareSchema])))), {}),
  stock: z._default(z.record(text(1, 200), quantity), {}),
  suppliers: z._default(listOf(supplierSchema, 6), []),
  /** Also for so many devices: what all of them cost. */
  alsoFor: z._default(listOf(whole(1, 1000), 6), [1, 2, 5, 30]),
});
type Options = z.infer<typeof optionsSchema>;

/** What the schema cannot say: names that come twice, steps that do not rise. */
function problemsOf({ suppliers }: Options) {
  return suppliers.flatMap(({ name, offers }, nth) => {
    const at = `options.suppliers.${nth}`;
    const isTwice = suppliers.findIndex((one) => one.name === name) < nth;
    const twice = isTwice ? [{ path: `${at}.name`, message: `comes twice: ${name}` }] : [];
    const wrong = offers.flatMap(({ part, steps }, offer) => {
      const path = `${at}.offers.${offer}`;
      if (offers.findIndex((one) => one.part === part) < offer)
        return [{ path: `${path}.part`, message: `comes twice: ${part}` }];
      const rises = steps.every(({ from }, step) => step === 0 || from > steps[step - 1].from);
      return steps.length > 0 && rises
        ? []
        : [{ path: `${path}.steps`, message: "must be one or more, by rising quantities" }];
    });
    return [...twice, ...wrong];
  });
}

const wishOf = ({ devices, spares, stock, suppliers }: Options): PurchaseWish => ({
  devices,
  spares: { ...usualSpares, ...(spares as Partial<Record<PartsGroup, SpareRule>>) },
  stock: new Map(Object.entries(stock)),
  suppliers,
});

const told = ({ lines, ...rest }: Purchase) => ({
  lines: lines.map(({ of, ...line }) => ({ ...line, which: of })),
  ...rest,
});

/** What to buy where: needs with spares less the stock, the cheapest split over suppliers, and what other numbers of devices cost. */
export const planPurchaseTask: Task = (body) =>
  withDesign(body, (design, rest) => {
    const options = readOptions(optionsSchema, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const problems = problemsOf(options.value);
    if (problems.length > 0) return bad(...problems);
    const wish = wishOf(options.value);
    const names = new Set(partsList(design).map(({ name }) => name));
    const asked = [...wish.stock.keys(), ...wish.suppliers.flatMap(({ offers }) => offers.map(({ part }) => part))];
    const costs = options.value.alsoFor.map((devices) => {
      const { total, unoffered } = purchaseOf(design, { ...wish, devices });
      return { devices, total, each: total / devices, isWhole: unoffered.length === 0 };
    });
    return good(
      jsonReply({
        ...told(purchaseOf(design, wish)),
        unknown: [...new Set(asked.filter((name) => !names.has(name)))],
        costs,
      }),
    );
  });
