import { type Remote, wrap } from "comlink";
import type { Result } from "@/core/document/problem";
import type { Design } from "@/core/document/schema";
import type { ExportedFile } from "@/core/formats/artifact";
import type { Attached } from "@/core/journal/attached";
import type { FlashImage } from "@/core/image/flashImage";
import type { ExportingTasks } from "./exporting.worker";

/** Does something in a thread of its own, which ends with it. */
async function aside<T>(work: (tasks: Remote<ExportingTasks>) => Promise<T>): Promise<T> {
  const worker = new Worker(new URL("./exporting.worker.ts", import.meta.url), { type: "module", name: "exporting" });
  try {
    return await new Promise((resolve, reject) => {
      worker.onerror = ({ message }) => reject(new Error(message || "the thread ended"));
      work(wrap<ExportingTasks>(worker)).then(resolve, reject);
    });
  } finally {
    worker.terminate();
  }
}

/** Makes an artifact in a thread of its own. */
export const makeAside = (design: Design, id: string, attached: Attached): Promise<Result<ExportedFile>> =>
  aside(async (tasks) => tasks.make(design, id, attached));

/** Makes a finished image of one of a design's parts in a thread of its own. */
export const imageAside = (design: Design, part: number): Promise<Result<FlashImage>> =>
  aside(async (tasks) => tasks.image(design, part));

/** The sheets of a design's circuits, drawn in a thread of its own. */
export const drawingAside = (design: Design) => aside(async (tasks) => tasks.drawing(design));
