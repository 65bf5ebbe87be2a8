import { type Remote, wrap } from "comlink";
import type { Design } from "@/core/document/schema";
import type { CheckingTasks, Look } from "./checking.worker";

let tasks: Remote<CheckingTasks> | null = null;

/** The thread that looks designs over, started when first asked for. */
export function checking(): Remote<CheckingTasks> {
  tasks ??= wrap<CheckingTasks>(
    new Worker(new URL("./checking.worker.ts", import.meta.url), { type: "module", name: "checking" }),
  );
  return tasks;
}

/** What the rules say of a design, worked out in a thread of their own so that no edit waits for them. */
export const lookAside = (design: Design): Promise<Look> => checking().look(design);

export type { Look };
