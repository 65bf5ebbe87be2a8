import type { Design } from "../document/schema";
import { findingsOf } from "../findings/check";
import { purchaseView } from "../purchase/purchaseView";
import { type Difference, differencesBetween } from "./differences";

/** Two designs side by side, as people mean it. */
export interface Comparison {
  differences: Difference[];
  /** Sentences of findings that only one of them has. */
  findings: { gone: string[]; fresh: string[] };
  /** What their parts come to at usual prices, in money units, for what both have in the drawer. */
  cost: { before: number; after: number };
}

/** What the rules say of the device; what the journal has still to do says nothing of it. */
const findingWords = (design: Design) =>
  findingsOf(design).flatMap(({ rule, message }) => (rule.startsWith("journal/") ? [] : [message]));

/** Everything that is different, which findings went and came, and what it costs. */
export function comparisonOf(before: Design, after: Design): Comparison {
  const [was, is] = [before, after].map(findingWords);
  const without = (list: string[], other: string[]) => [...new Set(list.filter((one) => !other.includes(one)))];
  return {
    differences: differencesBetween(before, after),
    findings: { gone: without(was, is), fresh: without(is, was) },
    cost: { before: purchaseView(before).usual.total, after: purchaseView(after).usual.total },
  };
}
