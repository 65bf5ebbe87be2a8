import { download } from "./download";
import type { Design } from "@/core/document/schema";

/** Exports that photos, revisions and practice go into; the others need not carry them along. */
const TAKES_ALL = new Set(["design-archive", "build-book"]);

/** The design itself is written at once, whatever else may be wrong; all else beside the page. */
async function make(design: Design, id: string) {
  if (id === "design") return (await import("@/core/formats/designJson")).designJson.make(design);
  const [{ makeAside }, { attachedTo }] = await Promise.all([import("@/workers/exporting"), import("@/store/records")]);
  const attached = TAKES_ALL.has(id) ? await attachedTo(design) : { photos: [], revisions: [], runs: [] };
  return makeAside(design, id, attached);
}

/** Makes an artifact and hands it to the browser. @returns what to tell the person */
export async function exportDesign(design: Design, id: string): Promise<string> {
  try {
    const made = await make(design, id);
    if (!made.ok) return `Not exported: the design ${made.problems.map((problem) => problem.message).join("; ")}.`;
    download(made.value.fileName, made.value.mediaType, made.value.bytes);
    return `${made.value.fileName} is in your downloads.`;
  } catch (error) {
    return `Not exported: ${error instanceof Error ? error.message : String(error)}. Reload the page and try again; the design stays.`;
  }
}
