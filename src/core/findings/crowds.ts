import type { Design } from "../document/schema";
import { type Observation, controlSubject } from "./finding";

/** Two controls, by their place in the design, that a rule on pairs has something to say about. */
export interface Pair {
  first: number;
  second: number;
}

/** A control in so many pairs of one rule stands in a crowd; pair by pair nobody could read it. */
const CROWDED = 8;

const SHOWN = 3;

/** Controls that hang together through pairs in which one of the two is crowded. */
function crowdsOf(pairs: Pair[]): number[][] {
  const heads = new Map<number, number>();
  const head = (one: number): number => {
    let top = one;
    while ((heads.get(top) ?? top) !== top) top = heads.get(top)!;
    return top;
  };
  for (const { first, second } of pairs) heads.set(head(second), head(first));
  const crowds = new Map<number, number[]>();
  for (const one of new Set(pairs.flatMap(({ first, second }) => [first, second])))
    crowds.set(head(one), [...(crowds.get(head(one)) ?? []), one]);
  return [...crowds.values()];
}

/**
 * What a rule says of pairs: each on its own, but a crowd as one, so that a thousand parts in one place are one finding.
 * `what` follows the names, as in "have caps in each other's way".
 */
export function tellPairs<P extends Pair>(
  design: Design,
  pairs: P[],
  what: string,
  tell: (pair: P) => Observation,
): Observation[] {
  const counts = new Map<number, number>();
  for (const one of pairs.flatMap(({ first, second }) => [first, second])) counts.set(one, (counts.get(one) ?? 0) + 1);
  const isCrowded = ({ first, second }: Pair) => counts.get(first)! >= CROWDED || counts.get(second)! >= CROWDED;
  const crowds = crowdsOf(pairs.filter(isCrowded)).map((owners): Observation => {
    const members = owners.map((owner) => design.controls[owner]);
    const names = members.slice(0, SHOWN).map(({ label }) => label);
    return {
      message: `${names.join(", ")} and ${members.length - SHOWN} more ${what}; move them apart, or take back what put them there.`,
      subjects: members.map(({ id }) => controlSubject(id)),
    };
  });
  return [...crowds, ...pairs.filter((pair) => !isCrowded(pair)).map(tell)];
}
