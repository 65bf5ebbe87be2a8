import { parentPort } from "node:worker_threads";
import { problemReply } from "./reply";
import type { TaskAnswer, TaskOrder } from "./taskMessages";
import { serverTasks } from "./tasks";
import { bringAllLanguages } from "@/core/languages/allLanguages";

bringAllLanguages();

const tell = (answer: TaskAnswer) => parentPort!.postMessage(answer);

/** One order at a time; the process that started this thread ends it when it takes too long. */
parentPort!.on("message", ({ name, body, parameter }: TaskOrder) => {
  serverTasks[name](body, parameter, (reply) => tell({ reply, isLast: false }))
    .catch((error: unknown) =>
      problemReply(500, { path: "", message: `The server could not work this out: ${String(error)}` }),
    )
    .then((reply) => tell({ reply, isLast: true }));
});
