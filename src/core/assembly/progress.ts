import { type Build, usualBuild } from "../document/buildSettings";
import type { Design } from "../document/schema";
import type { ToldStep as Step } from "./toldAssembly";

const buildOf = ({ build }: Design): Build => build ?? usualBuild;

/** Steps that are done: by their ticks, and where wires are soldered once all of those are ticked. */
export function doneSteps(design: Design, steps: Step[]): Set<string> {
  const ticked = new Set(buildOf(design).done);
  const soldered = new Set(design.wires.done);
  const isDone = ({ id, wires }: Step) => (wires.length > 0 ? wires.every((key) => soldered.has(key)) : ticked.has(id));
  return new Set(steps.filter(isDone).map(({ id }) => id));
}

/** The step to go on with: the first that is neither done nor left out; null at the end. */
export function nextStep(design: Design, steps: Step[], after?: string): Step | null {
  const done = doneSteps(design, steps);
  const skipped = new Set(buildOf(design).skipped);
  const isOpen = ({ id }: Step) => !done.has(id) && !skipped.has(id);
  const from = steps.findIndex(({ id }) => id === after) + 1;
  return [...steps.slice(from), ...steps.slice(0, from)].find(isOpen) ?? null;
}
