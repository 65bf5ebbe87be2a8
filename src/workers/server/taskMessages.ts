import type { Reply } from "./reply";
import type { TaskName } from "./tasks";

/** What a thread is asked, and what it answers: any number of better answers, then the last one. */
export interface TaskOrder {
  name: TaskName;
  body: Uint8Array;
  parameter: string;
}

export interface TaskAnswer {
  reply: Reply;
  isLast: boolean;
}
