import type { Design } from "@/core/document/schema";
import type { Stage } from "@/core/document/stageIds";
import { frozenOf, goBackTo, noteRevision, nothingBuilt, takeAsTasks } from "@/core/edits/journal";
import { currentDesign, edit } from "./bench";
import { newId } from "./newId";
import { putRecords } from "./records";

/** What the next revision starts from. */
export interface NextRevision {
  /** What the one that is left behind is called. */
  name: string;
  /** Regrets to mend, each with the stage where that is done. */
  tasks: ReadonlyMap<string, Stage>;
  /** Nothing of the next one is built: steps, wires and tests begin anew. */
  isNew: boolean;
}

/** Lays the design as it is beside itself; only when that is done is it noted. Throws where the browser has no room. */
async function freeze(design: Design): Promise<{ id: string; at: string }> {
  const id = newId();
  const at = new Date().toISOString();
  await putRecords(design.id, "revision", [{ id, design: frozenOf(design) }]);
  return { id, at };
}

export async function freezeRevision(name: string): Promise<void> {
  const design = currentDesign();
  if (!design) return;
  const { id, at } = await freeze(design);
  edit(`freeze as ${name}`, (d) => noteRevision(d, { id, at, text: name }));
}

/** Freezes the design as it is, and makes tasks of what is regretted: one step to undo. */
export async function beginNextRevision({ name, tasks, isNew }: NextRevision): Promise<void> {
  const design = currentDesign();
  if (!design) return;
  const { id, at } = await freeze(design);
  edit("begin the next revision", (d) => {
    const noted = takeAsTasks(noteRevision(d, { id, at, text: name }), id, tasks);
    return isNew ? nothingBuilt(noted) : noted;
  });
}

export const takeRevisionBack = (frozen: Design): void =>
  edit("go back to a revision", (design) => goBackTo(design, frozen));
