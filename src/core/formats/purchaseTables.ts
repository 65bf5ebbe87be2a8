import type { NamedOffer } from "../document/purchaseSettings";
import { type LineProblem, numberIn, readTable } from "./table";

const MOST = 1_000_000;

/** A number from a least value on, or what is wrong with it. */
function amount(cell: string | undefined, name: string, least: number, otherwise?: number): number | string {
  const value = cell === undefined || cell === "" ? (otherwise ?? null) : numberIn(cell);
  if (value === null || value < least || value > MOST)
    return `The ${name} "${cell ?? ""}" is not a number from ${least} to ${MOST}.`;
  return value;
}

/** What is in the drawer: part and count a line. The same part on two lines counts together. */
export function readStockTable(text: string): { stock: Map<string, number>; problems: LineProblem[] } {
  const table = readTable(text, { part: ["part", "name"], count: ["count", "stock", "number", "in drawer"] });
  const stock = new Map<string, number>();
  const problems = [...table.problems];
  for (const { line, cells } of table.rows) {
    const part = (cells.part ?? "").slice(0, 200);
    const count = amount(cells.count, "count", 0);
    if (part === "") problems.push({ line, message: "There is no part." });
    else if (typeof count === "string") problems.push({ line, message: count });
    else stock.set(part, Math.min(MOST, (stock.get(part) ?? 0) + count));
  }
  return { stock, problems };
}

export interface ReadOffers {
  supplier: string;
  offers: NamedOffer[];
}

const COLUMNS = {
  supplier: ["supplier", "shop"],
  part: ["part", "name"],
  each: ["each", "price", "price each"],
  from: ["from", "from quantity"],
  pack: ["pack", "multiple"],
  least: ["least", "minimum"],
};

interface OfferLine {
  each: number;
  from: number;
  pack: number;
  least: number;
}

function offerLine(cells: Record<string, string>): OfferLine | string {
  const each = amount(cells.each, "price", 0);
  const from = amount(cells.from, "quantity", 0, 1);
  const pack = amount(cells.pack, "pack", 0.01, 1);
  const least = amount(cells.least, "least quantity", 0, 0);
  const wrong = [each, from, pack, least].find((value) => typeof value === "string");
  return wrong !== undefined ? (wrong as string) : ({ each, from, pack, least } as OfferLine);
}

const MOST_STEPS = 20;

/** Several lines of one part are its quantity steps; pack and least quantity are those of the last line. */
function withStep(known: NamedOffer | undefined, part: string, { each, from, pack, least }: OfferLine): NamedOffer {
  const others = (known?.steps ?? []).filter((step) => step.from !== from);
  const steps = [...others, { from, each }].sort((a, b) => a.from - b.from).slice(0, MOST_STEPS);
  return { part, pack: Math.min(100_000, pack), least, steps };
}

/** Prices: supplier, part, price each, from which quantity, pack, least quantity. */
export function readOfferTable(text: string): { suppliers: ReadOffers[]; problems: LineProblem[] } {
  const table = readTable(text, COLUMNS);
  const problems = [...table.problems];
  const suppliers = new Map<string, Map<string, NamedOffer>>();
  for (const { line, cells } of table.rows) {
    const supplier = (cells.supplier ?? "").slice(0, 80);
    const part = (cells.part ?? "").slice(0, 200);
    const read = offerLine(cells);
    if (supplier === "" || part === "") problems.push({ line, message: "There is no supplier or no part." });
    else if (typeof read === "string") problems.push({ line, message: read });
    else {
      const offers = suppliers.get(supplier) ?? new Map<string, NamedOffer>();
      suppliers.set(supplier, offers.set(part, withStep(offers.get(part), part, read)));
    }
  }
  return {
    suppliers: [...suppliers].map(([supplier, offers]) => ({ supplier, offers: [...offers.values()] })),
    problems,
  };
}
