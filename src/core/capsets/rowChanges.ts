import type { Key } from "../catalogue/kinds/key";
import type { Design } from "../document/schema";
import { readingRows } from "../geometry/readingOrder";
import type { CapSet } from "../document/capSet";
import { coverage, keysOf } from "./coverage";

/** New widths for some keys of one row, so that the set has caps for all of them. */
export interface RowChange {
  /** Width in units by control id. */
  widths: Map<string, number>;
  /** Units of cap width that change, and by how much the row becomes longer or shorter. */
  changedU: number;
  lengthU: number;
  words: string;
}

const MOST_CHANGED = 3;
const LENGTH_WEIGHT = 2;

type Stock = Map<number, number>;

const take = (stock: Stock, width: number, by: number): Stock =>
  new Map(stock).set(width, (stock.get(width) ?? 0) + by);

interface Search {
  best: { widths: Map<string, number>; cost: number } | null;
}

const costOf = (widths: Map<string, number>, keys: Map<string, Key>) => {
  let changed = 0;
  let length = 0;
  for (const [id, width] of widths) {
    const delta = width - keys.get(id)!.widthU;
    changed += Math.abs(delta);
    length += delta;
  }
  return { changed, length, cost: changed + LENGTH_WEIGHT * Math.abs(length) + 0.25 * widths.size };
};

/** Tries every width in stock for the chosen keys, one after the other. */
function tryWidths(
  open: Key[],
  stock: Stock,
  widths: Map<string, number>,
  keys: Map<string, Key>,
  search: Search,
): void {
  if (open.length === 0) {
    const { cost } = costOf(widths, keys);
    if (!search.best || cost < search.best.cost - 1e-9) search.best = { widths, cost };
    return;
  }
  const [key, ...rest] = open;
  for (const [width, count] of stock) {
    if (count <= 0) continue;
    tryWidths(rest, take(stock, width, -1), new Map(widths).set(key.id, width), keys, search);
  }
}

/** Sets of keys of a row that hold all its missing ones and at most so many in all. */
function choices(missing: Key[], others: Key[]): Key[][] {
  const spare = MOST_CHANGED - missing.length;
  if (spare < 0) return [missing];
  const sets: Key[][] = [missing];
  if (spare >= 1) for (const other of others) sets.push([...missing, other]);
  if (spare >= 2) others.forEach((a, i) => others.slice(i + 1).forEach((b) => sets.push([...missing, a, b])));
  return sets;
}

/** Widths that are free: what is left over, and the caps that the changed keys give back. */
function stockFor(leftOver: Stock, changed: Key[], covered: Set<string>): Stock {
  return changed.filter((key) => covered.has(key.id)).reduce((stock, key) => take(stock, key.widthU, 1), leftOver);
}

function bestForRow(row: Key[], covered: Set<string>, leftOver: Stock): RowChange | null {
  const missing = row.filter((key) => !covered.has(key.id));
  const keys = new Map(row.map((key) => [key.id, key]));
  const search: Search = { best: null };
  for (const chosen of choices(
    missing,
    row.filter((key) => covered.has(key.id)),
  ))
    tryWidths(chosen, stockFor(leftOver, chosen, covered), new Map(), keys, search);
  const { best } = search;
  if (!best) return null;
  const moved = new Map([...best.widths].filter(([id, width]) => width !== keys.get(id)!.widthU));
  const { changed, length } = costOf(best.widths, keys);
  const parts = [...moved].map(([id, width]) => `${keys.get(id)!.label} ${keys.get(id)!.widthU} → ${width} u`);
  return { widths: best.widths, changedU: changed, lengthU: length, words: parts.join(", ") };
}

/**
 * The cheapest changes of widths, row by row, that let a set cover the layout: at most three keys a row, the row's
 * length kept where the set allows it. Rows that no change cures are not in the answer. Caps one unit high only.
 */
export function rowChanges(design: Design, set: CapSet): RowChange[] {
  const { capOf, leftOver } = coverage(design, set);
  const covered = new Set(capOf.keys());
  let stock: Stock = new Map();
  for (const { lot, count } of leftOver)
    if (lot.form === "plain" && lot.heightU === 1) stock = take(stock, lot.widthU, count);
  const plain = keysOf(design).filter((key) => key.heightU === 1 && !key.second && key.placement.rotationDeg === 0);
  const byId = new Map(plain.map((key) => [key.id, key]));
  const rows = readingRows(
    plain.map((key) => ({ id: key.id, at: key.placement })),
    design.pitch.yMm / 2,
  ).map((row) => row.map(({ id }) => byId.get(id)!));
  return rows
    .filter((row) => row.some((key) => !covered.has(key.id)))
    .flatMap((row) => {
      const change = bestForRow(row, covered, stock);
      if (!change) return [];
      for (const [id, width] of change.widths) {
        if (covered.has(id)) stock = take(stock, byId.get(id)!.widthU, 1);
        stock = take(stock, width, -1);
      }
      return [change];
    });
}
