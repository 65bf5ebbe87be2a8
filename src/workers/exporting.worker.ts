import { expose } from "comlink";
import type { Design } from "@/core/document/schema";
import { artifactNamed } from "@/core/formats/registry";

/** Makes a file of a design; solids of large plates take many seconds. */
const make = (design: Design, id: string) => artifactNamed(id)!.make(design);

export const exportingTasks = { make };
export type ExportingTasks = typeof exportingTasks;

expose(exportingTasks);
