import type { Key } from "../catalogue/kinds/key";
import type { Design } from "../document/schema";
import { assignLeastCost } from "../optimisation/assignment";
import type { CapForm, CapLot, CapSet } from "../document/capSet";

export const formOf = (key: Key): CapForm => (key.second ? "tall-enter" : key.stepU !== null ? "stepped" : "plain");

/** How a set covers a layout: which cap goes on which key, what is missing and what stays over. */
export interface Coverage {
  /** Lot index by control id. */
  capOf: Map<string, number>;
  missing: Key[];
  leftOver: { lot: CapLot; count: number }[];
  keys: number;
}

const NO_CAP = 1000;
const IMPOSSIBLE = 10_000;
const WRONG_LABEL = 1;
const OTHER_PROFILE = 3;

const same = (a: number, b: number) => Math.abs(a - b) < 1e-6;

/** What putting a cap on a key costs: its size and form must be right, in a sculpted set its row too. */
function cost(key: Key, lot: CapLot, sculpted: boolean): number {
  if (!same(key.widthU, lot.widthU) || !same(key.heightU, lot.heightU) || formOf(key) !== lot.form) return IMPOSSIBLE;
  const profileMatters = sculpted && key.profile !== "" && lot.profile !== "";
  if (profileMatters && key.profile !== lot.profile) return IMPOSSIBLE;
  const label = lot.label !== "" && lot.label.toLowerCase() === key.label.toLowerCase() ? 0 : WRONG_LABEL;
  return label + (key.profile === lot.profile ? 0 : OTHER_PROFILE);
}

export const keysOf = (design: Design): Key[] =>
  design.controls.filter((control): control is Key => control.kind === "key");

/** The most keys that a set can cover, with labels and rows kept together as far as they go. */
export function coverage(design: Design, set: CapSet): Coverage {
  const keys = keysOf(design);
  const pieces = set.caps.flatMap((lot, index) => new Array<number>(lot.count).fill(index));
  const costs = keys.map((key) => [
    ...pieces.map((lot) => cost(key, set.caps[lot], set.sculpted)),
    ...keys.map(() => NO_CAP),
  ]);
  const capOf = new Map<string, number>();
  const missing: Key[] = [];
  assignLeastCost(costs).forEach((column, nth) => {
    if (column < pieces.length && costs[nth][column] < NO_CAP) capOf.set(keys[nth].id, pieces[column]);
    else missing.push(keys[nth]);
  });
  const used = new Map<number, number>();
  for (const lot of capOf.values()) used.set(lot, (used.get(lot) ?? 0) + 1);
  const leftOver = set.caps
    .map((lot, index) => ({ lot, count: lot.count - (used.get(index) ?? 0) }))
    .filter(({ count }) => count > 0);
  return { capOf, missing, leftOver, keys: keys.length };
}

/** Missing caps by size: "2 of 2.25 × 1 u". */
export function missingBySize(missing: Key[]): { words: string; keys: Key[] }[] {
  const bySize = new Map<string, Key[]>();
  for (const key of missing) {
    const form = formOf(key) === "plain" ? "" : formOf(key) === "stepped" ? ", stepped" : ", tall Enter";
    const profile = key.profile ? `, row ${key.profile}` : "";
    const words = `${key.widthU} × ${key.heightU} u${form}${profile}`;
    bySize.set(words, [...(bySize.get(words) ?? []), key]);
  }
  return [...bySize].map(([words, keys]) => ({ words, keys }));
}
