import { DESIGN_VERSION, type Design } from "@/core/document/schema";
import { type StoredDesign, openDatabase } from "./database";
import { newId } from "./newId";

/** Null where another tab has taken the design off the shelf. */
export type SaveResult = { saved: true } | { saved: false; stored: StoredDesign | null };

/** All designs, the one saved last first. */
export async function listDesigns(): Promise<StoredDesign[]> {
  const database = await openDatabase();
  const all = await database.getAll("designs");
  return all.sort((a, b) => b.savedAt.localeCompare(a.savedAt));
}

/** A design that an older version of the program stored, brought forward; the steps come only when there is one. */
async function broughtForward(stored: StoredDesign): Promise<StoredDesign> {
  const { version } = stored.design as { version: number };
  if (version === DESIGN_VERSION) return stored;
  const { migrate } = await import("@/core/document/migrations");
  return { ...stored, design: migrate({ ...stored.design }) as unknown as Design };
}

export async function loadDesign(id: string): Promise<StoredDesign | undefined> {
  const stored = await (await openDatabase()).get("designs", id);
  return stored && broughtForward(stored);
}

/**
 * Saves a design if what is stored is still the save it was made from (`from`: that save's token; null: nothing is
 * stored). Reading and writing are one transaction, so that two tabs cannot both win, and nothing forces it: whoever
 * wants to overwrite names what is overwritten.
 */
export async function saveDesign(design: Design, from: string | null, token: string, at: Date): Promise<SaveResult> {
  const database = await openDatabase();
  const transaction = database.transaction("designs", "readwrite");
  const stored = await transaction.store.get(design.id);
  if ((stored?.token ?? null) !== from) {
    await transaction.done;
    return { saved: false, stored: stored ? await broughtForward(stored) : null };
  }
  await transaction.store.put({ id: design.id, design, token, savedAt: at.toISOString() });
  await transaction.done;
  return { saved: true };
}

/** Takes a design off the shelf. @returns what lay there at that moment */
export async function removeDesign(id: string): Promise<StoredDesign | null> {
  const transaction = (await openDatabase()).transaction("designs", "readwrite");
  const stored = await transaction.store.get(id);
  await transaction.store.delete(id);
  await transaction.done;
  return stored ?? null;
}

/** Puts a removed design back as it was. @returns false where another of its name lies there by now */
export async function restoreDesign(stored: StoredDesign): Promise<boolean> {
  const transaction = (await openDatabase()).transaction("designs", "readwrite");
  const isFree = (await transaction.store.get(stored.id)) === undefined;
  if (isFree) await transaction.store.put(stored);
  await transaction.done;
  return isFree;
}

const LAID_OUT = "demos-laid-out";

/** Lays the demo designs on the shelf, once in the life of this browser's storage. */
export async function seedDemos(load: () => Promise<Design[]>, at: Date): Promise<void> {
  const database = await openDatabase();
  if (await database.get("settings", LAID_OUT)) return;
  const demos = await load();
  const transaction = database.transaction(["designs", "settings"], "readwrite");
  const settings = transaction.objectStore("settings");
  const designs = transaction.objectStore("designs");
  if (!(await settings.get(LAID_OUT))) {
    for (const design of demos) await designs.put({ id: design.id, design, token: newId(), savedAt: at.toISOString() });
    await settings.put(true, LAID_OUT);
  }
  await transaction.done;
}
