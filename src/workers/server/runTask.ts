import { existsSync } from "node:fs";
import { Worker } from "node:worker_threads";
import { type Reply, problemReply } from "./reply";
import type { TaskAnswer, TaskOrder } from "./taskMessages";
import type { TaskName } from "./tasks";

/** What one call may take. */
export interface Budget {
  ms: number;
  memoryMb: number;
  /** Calls that are worked on at the same time, and those that may wait. */
  threads: number;
  waiting: number;
}

const usualBudget: Budget = { ms: 4500, memoryMb: 768, threads: 2, waiting: 24 };

const tooLong = (ms: number) =>
  problemReply(503, {
    path: "",
    message: `This takes longer than the ${(ms / 1000).toFixed(1)} s that one call may take; ask for less at a time.`,
  });
const tooMuchMemory = (mb: number) =>
  problemReply(503, { path: "", message: `This takes more than the ${mb} MB that one call may take.` });
const tooBusy = () =>
  problemReply(503, { path: "", message: "Too many calls are being worked on; ask again in a moment." });

/**
 * Threads for long calls, so that other calls are served meanwhile. A call that takes too long is answered with the best
 * answer so far, or with a problem, and its thread is ended.
 */
export class TaskRunner {
  private readonly idle: Worker[] = [];
  private running = 0;
  private readonly queue: (() => void)[] = [];

  constructor(
    private readonly script: string,
    private readonly budget: Budget = usualBudget,
  ) {}

  async run(order: TaskOrder): Promise<Reply> {
    const { threads, waiting } = this.budget;
    if (this.running >= threads && this.queue.length >= waiting) return tooBusy();
    const from = performance.now();
    if (this.running >= threads) await new Promise<void>((go) => this.queue.push(go));
    const left = this.budget.ms - (performance.now() - from);
    if (left < this.budget.ms / 10) {
      this.queue.shift()?.();
      return tooBusy();
    }
    this.running += 1;
    try {
      return await this.inThread(order, left);
    } finally {
      this.running -= 1;
      this.queue.shift()?.();
    }
  }

  private nextThread(): Worker {
    const { memoryMb } = this.budget;
    const thread = this.idle.pop() ?? new Worker(this.script, { resourceLimits: { maxOldGenerationSizeMb: memoryMb } });
    // An idle thread does not keep the server from ending.
    thread.unref();
    return thread;
  }

  private inThread(order: TaskOrder, ms: number): Promise<Reply> {
    const thread = this.nextThread();
    return new Promise((answer) => {
      let best: Reply | null = null;
      const end = (reply: Reply, isReusable: boolean) => {
        clearTimeout(timer);
        thread.off("message", onMessage);
        thread.off("error", onError);
        if (isReusable) this.idle.push(thread);
        else void thread.terminate();
        answer(reply);
      };
      const timer = setTimeout(() => end(best ?? tooLong(this.budget.ms), false), ms);
      const onMessage = ({ reply, isLast }: TaskAnswer) => {
        best = reply;
        if (isLast) end(reply, true);
      };
      const onError = (error: NodeJS.ErrnoException) =>
        end(
          error.code === "ERR_WORKER_OUT_OF_MEMORY"
            ? tooMuchMemory(this.budget.memoryMb)
            : problemReply(500, { path: "", message: `The server could not work this out: ${error.message}` }),
          false,
        );
      thread.on("message", onMessage);
      thread.on("error", onError);
      thread.postMessage(order);
    });
  }

  /** Ends all idle threads. */
  async close(): Promise<void> {
    await Promise.all(this.idle.splice(0).map((thread) => thread.terminate()));
  }
}

/** Where the build puts the threads' script; without one (while developing, and in tests) calls are answered at once. */
const SCRIPT = "build/serverTasks.mjs";

let runner: TaskRunner | null | undefined;

/** Works out one call: in a thread of its own where there is a built server. */
export async function runTask(name: TaskName, body: Uint8Array, parameter = ""): Promise<Reply> {
  if (runner === undefined) {
    const isBuilt = process.env.NODE_ENV === "production" && existsSync(SCRIPT);
    runner = isBuilt ? new TaskRunner(`./${SCRIPT}`) : null;
  }
  if (runner) return runner.run({ name, body, parameter });
  const { serverTasks } = await import("./tasks");
  return serverTasks[name](body, parameter, () => {});
}
