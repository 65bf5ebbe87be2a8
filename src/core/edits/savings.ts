import { assemblyOf } from "../assembly/assembly";
import type { Design } from "../document/schema";
import { partsList } from "../purchase/partsList";
import type { StepSort } from "../assembly/stepSorts";
import { simplificationsOf } from "./simplifications";

/** What a simpler design would want: the work of its steps, and what its parts cost at usual prices. */
export interface Simpler {
  id: string;
  title: string;
  work: { sort: StepSort; units: number }[];
  parts: number;
}

const workOf = (design: Design) => assemblyOf(design).steps.map(({ sort, units }) => ({ sort, units }));
const moneyOf = (design: Design) =>
  partsList(design).reduce((sum, { count, priceEach }) => sum + count * (priceEach ?? 0), 0);

/** The design itself first, then each way to have it simpler. */
export const simplerOnes = (design: Design): Simpler[] => [
  { id: "as it is", title: "as it is", work: workOf(design), parts: moneyOf(design) },
  ...simplificationsOf(design).map(({ id, title, apply }) => {
    const simpler = apply(design);
    return { id, title, work: workOf(simpler), parts: moneyOf(simpler) };
  }),
];
