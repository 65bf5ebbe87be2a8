import type { PartsGroup } from "../document/purchaseSettings";

/** Parts that are alike. */
export interface PartsLine {
  group: PartsGroup;
  name: string;
  /** Pieces; of wire metres, without waste. */
  count: number;
  unit: "piece" | "m";
  /** Usual or typed, in money units; null where nobody knows. */
  priceEach: number | null;
  /** Which of the design's parts they are, by the names of the netlist. */
  of: string[];
}

/** One part by its name; alike ones come onto one line. */
export interface One {
  name: string;
  price: number | null;
  of: string;
}

/** Those with one name on one line, in the order in which they come. */
export function lines(group: PartsGroup, all: One[]): PartsLine[] {
  const byName = new Map<string, PartsLine>();
  for (const { name, price, of } of all) {
    const line = byName.get(name) ?? { group, name, count: 0, unit: "piece" as const, priceEach: price, of: [] };
    line.count += 1;
    line.of.push(of);
    byName.set(name, line);
  }
  return [...byName.values()];
}
