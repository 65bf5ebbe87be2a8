import { type Remote, wrap } from "comlink";
import type { Design } from "@/core/document/schema";
import type { CheckingTasks, Look } from "./checking.worker";

let tasks: Remote<CheckingTasks> | null = null;

/** What the rules say of a design, worked out in a thread of their own so that no edit waits for them. */
export async function lookAside(design: Design): Promise<Look> {
  tasks ??= wrap<CheckingTasks>(
    new Worker(new URL("./checking.worker.ts", import.meta.url), { type: "module", name: "checking" }),
  );
  return tasks.look(design);
}

export type { Look };
