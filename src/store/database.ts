import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Design } from "@/core/design/schema";

/** A design as it lies in the browser, with a count of its saves. */
export interface StoredDesign {
  id: string;
  design: Design;
  revision: number;
  savedAt: string;
}

interface OvrinDatabase extends DBSchema {
  designs: { key: string; value: StoredDesign };
  settings: { key: string; value: unknown };
}

export type Database = IDBPDatabase<OvrinDatabase>;

const NAME = "ovrin";
const VERSION = 1;

let opened: Promise<Database> | null = null;

/** Opens the browser's database; a failed opening is tried again by the next call. */
export function openDatabase(): Promise<Database> {
  opened ??= openDB<OvrinDatabase>(NAME, VERSION, {
    upgrade(database) {
      database.createObjectStore("designs", { keyPath: "id" });
      database.createObjectStore("settings");
    },
    blocking(_current, _blocked, event) {
      (event.target as IDBDatabase).close();
      opened = null;
    },
    terminated() {
      opened = null;
    },
  }).catch((error: unknown) => {
    opened = null;
    throw error;
  });
  return opened;
}
