import { randomFrom } from "../optimisation/random";
import { ownWords } from "./ownWords";

/** What a sign needs: 1 for one that goes well, more for one that is slow or wrong. */
export type Need = ReadonlyMap<string, number>;

export interface DrillWish {
  /** Signs to learn; each line has them more often than a text would. */
  signs: readonly string[];
  /** Signs that may stand between. */
  also: readonly string[];
  need: Need;
  seed: number;
  /** About so many signs. */
  length: number;
}

/** Signs in a heap that stands for a word, where no word fits. */
const HEAP = [3, 4, 4, 5];

/** Draws one of many by its weight. */
function drawn<T>(items: readonly T[], weightOf: (item: T) => number, random: () => number): T {
  const total = items.reduce((sum, item) => sum + weightOf(item), 0);
  let left = random() * total;
  for (const item of items) {
    left -= weightOf(item);
    if (left < 0) return item;
  }
  return items.at(-1)!;
}

/**
 * A line to type: words of which every sign is in the lesson or known, drawn the more often the more they have of what is
 * needed; where hardly a word fits, heaps of the lesson's signs. The same wish gives the same line.
 */
export function drillText({ signs, also, need, seed, length }: DrillWish): string {
  if (signs.length === 0) return "";
  const random = randomFrom(seed);
  const allowed = new Set([...signs, ...also]);
  const wanted = new Set(signs);
  const needOf = (sign: string) => need.get(sign) ?? 1;
  const words = ownWords.filter((word) => [...word].every((sign) => allowed.has(sign)));
  const own = words.filter((word) => [...word].some((sign) => wanted.has(sign)));
  // A word weighs by what of it is wanted, not by its length.
  const weightOf = (word: string) =>
    [...word].reduce((sum, sign) => sum + (wanted.has(sign) ? needOf(sign) ** 2 : 0), 0) / word.length;
  const parts: string[] = [];
  for (let count = 0; count < length; count += parts.at(-1)!.length + 1) {
    // Few words would come again and again: heaps between them keep every sign in the line.
    const isWord = own.length > 0 && random() < own.length / (own.length + signs.length);
    parts.push(isWord ? drawn(own, weightOf, random) : heapOf(signs, needOf, random));
  }
  return parts.join(" ");
}

function heapOf(signs: readonly string[], needOf: (sign: string) => number, random: () => number): string {
  const length = HEAP[Math.floor(random() * HEAP.length)];
  return Array.from({ length }, () => drawn(signs, needOf, random)).join("");
}

/** Things to press or turn to, one after another: no one twice in a row where there are several, the needed ones more often. */
export function drillOrder(ids: readonly string[], need: Need, seed: number, count: number): string[] {
  const random = randomFrom(seed);
  const order: string[] = [];
  for (let nth = 0; nth < count && ids.length > 0; nth++) {
    const last = order.at(-1);
    const others = ids.length > 1 ? ids.filter((id) => id !== last) : ids;
    order.push(drawn(others, (id) => need.get(id) ?? 1, random));
  }
  return order;
}
