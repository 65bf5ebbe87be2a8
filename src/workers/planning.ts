import { type Remote, proxy, wrap } from "comlink";
import type { PlanningTasks } from "./planningTasks";

let worker: Worker | null = null;
let tasks: Remote<PlanningTasks> | null = null;

/** The planning worker, started when first asked for. */
export function planning(): Remote<PlanningTasks> {
  if (!tasks) {
    worker = new Worker(new URL("./planning.worker.ts", import.meta.url), { type: "module" });
    tasks = wrap<PlanningTasks>(worker);
  }
  return tasks;
}

/** Ends what is being computed; the next call starts afresh. */
export function stopPlanning(): void {
  worker?.terminate();
  worker = null;
  tasks = null;
}

/** A worker of its own for one search, so that ending it disturbs nothing else. */
export function startSearch(): { tasks: Remote<PlanningTasks>; tell: typeof proxy; stop: () => void } {
  const own = new Worker(new URL("./planning.worker.ts", import.meta.url), { type: "module" });
  return { tasks: wrap<PlanningTasks>(own), tell: proxy, stop: () => own.terminate() };
}
