import type { Design } from "../document/schema";
import { type Comparison, comparisonOf } from "./comparison";
import type { Difference } from "./differences";

/** A comparison as a person is told of it: without the changes behind each line, and without what is only record. */
export type ToldComparison = Omit<Comparison, "differences"> & { differences: Omit<Difference, "changes">[] };

export function toldComparison(before: Design, after: Design): ToldComparison {
  const { differences, ...rest } = comparisonOf(before, after);
  return {
    ...rest,
    differences: differences
      .filter(({ sort }) => sort !== "record")
      .map(({ sort, about, words, controlIds }) => ({ sort, about, words, controlIds })),
  };
}
