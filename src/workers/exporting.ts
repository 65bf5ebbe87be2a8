import { wrap } from "comlink";
import type { Result } from "@/core/document/problem";
import type { Design } from "@/core/document/schema";
import type { ExportedFile } from "@/core/formats/artifact";
import type { ExportingTasks } from "./exporting.worker";

/** Makes an artifact in a thread of its own, which ends with it. */
export async function makeAside(design: Design, id: string): Promise<Result<ExportedFile>> {
  const worker = new Worker(new URL("./exporting.worker.ts", import.meta.url), { type: "module", name: "exporting" });
  try {
    return await new Promise((resolve, reject) => {
      worker.onerror = ({ message }) => reject(new Error(message || "the thread ended"));
      wrap<ExportingTasks>(worker).make(design, id).then(resolve, reject);
    });
  } finally {
    worker.terminate();
  }
}
