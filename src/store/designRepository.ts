import type { Design } from "@/core/design/schema";
import { type StoredDesign, openDatabase } from "./database";

export type SaveResult = { saved: true; revision: number } | { saved: false; stored: StoredDesign };

/** All designs, the one saved last first. */
export async function listDesigns(): Promise<StoredDesign[]> {
  const database = await openDatabase();
  const all = await database.getAll("designs");
  return all.sort((a, b) => b.savedAt.localeCompare(a.savedAt));
}

export async function loadDesign(id: string): Promise<StoredDesign | undefined> {
  return (await openDatabase()).get("designs", id);
}

/**
 * Saves a design if the stored one is still the revision it was made from; null forces it. Reading and writing are
 * one transaction, so that two tabs cannot both win.
 */
export async function saveDesign(design: Design, from: number | null, at: Date): Promise<SaveResult> {
  const database = await openDatabase();
  const transaction = database.transaction("designs", "readwrite");
  const stored = await transaction.store.get(design.id);
  if (from !== null && stored && stored.revision !== from) {
    await transaction.done;
    return { saved: false, stored };
  }
  const revision = (stored?.revision ?? 0) + 1;
  await transaction.store.put({ id: design.id, design, revision, savedAt: at.toISOString() });
  await transaction.done;
  return { saved: true, revision };
}

export async function removeDesign(id: string): Promise<void> {
  await (await openDatabase()).delete("designs", id);
}

/** Puts a removed design back as it was. */
export async function restoreDesign(stored: StoredDesign): Promise<void> {
  await (await openDatabase()).put("designs", stored);
}

const LAID_OUT = "demos-laid-out";

/** Lays the demo designs on the shelf, once in the life of this browser's storage. */
export async function seedDemos(load: () => Promise<Design[]>, at: Date): Promise<void> {
  const database = await openDatabase();
  if (await database.get("settings", LAID_OUT)) return;
  const demos = await load();
  const transaction = database.transaction(["designs", "settings"], "readwrite");
  const settings = transaction.objectStore("settings");
  if (!(await settings.get(LAID_OUT))) {
    for (const design of demos) {
      await transaction.objectStore("designs").put({ id: design.id, design, revision: 1, savedAt: at.toISOString() });
    }
    await settings.put(true, LAID_OUT);
  }
  await transaction.done;
}
