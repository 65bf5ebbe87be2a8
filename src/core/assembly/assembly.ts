import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { benchOf } from "./bench";
import { type Loop, withoutLoops } from "./loops";
import { type Order, type Ordered, orderSteps } from "./orderSteps";
import { reasonsBetween } from "./reasons";
import type { CautionSort, Reason, Step } from "./step";
import { stepMakers } from "./stepMakers";

/** How a device is put together. */
export interface Assembly {
  /** In the order of the work. */
  steps: Step[];
  reasons: Reason[];
  loops: Loop[];
  order: Omit<Order, "ids">;
}

/** How a piece lies: what is within a board is worked on from its front. */
const liesOf = ({ boardId, face }: Step) =>
  boardId === null || face === null ? null : `${boardId} ${face === "back" ? "back" : "front"}`;

const orderedOf = (step: Step): Ordered => ({
  id: step.id,
  lies: liesOf(step),
  tool: step.tool === "hands" ? null : step.tool,
});

/** Each caution is told once, at the first step that it belongs to. */
function toldOnce(steps: Step[]): Step[] {
  const told = new Set<CautionSort>();
  return steps.map((step) => {
    const cautions = step.cautions.filter((sort) => !told.has(sort));
    for (const sort of cautions) told.add(sort);
    return { ...step, cautions };
  });
}

/** Every step of making a device, in an order in which nothing is needed that is covered already, with the least turning over. */
export const assemblyOf = (design: Design): Assembly =>
  derive(design).once("assembly", () => {
    const bench = benchOf(design);
    const all = stepMakers.flatMap((make) => make(bench));
    const ids = all.map(({ id }) => id);
    const { reasons, loops } = withoutLoops(ids, reasonsBetween(all));
    const { ids: order, ...rest } = orderSteps(all.map(orderedOf), reasons);
    const byId = new Map(all.map((step) => [step.id, step]));
    return { steps: toldOnce(order.map((id) => byId.get(id)!)), reasons, loops, order: rest };
  });
