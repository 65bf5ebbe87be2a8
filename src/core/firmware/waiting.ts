import { isMadeOfJobs } from "../bindings";
import { WAITING } from "../contract/contract";
import type { Design } from "../document/schema";
import type { ScanTable } from "./scanTable";

/** Changes of inputs that a device must be able to keep: none where every press tells at once what it does. */
export function waitingOf({ together, inputs }: ScanTable, { keymap: { layers } }: Design): number {
  const waits = layers.some(({ bindings }) =>
    inputs.some((id) => Object.hasOwn(bindings, id) && isMadeOfJobs(bindings[id])),
  );
  return waits || together.length > 0 ? WAITING : 0;
}
