import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Design } from "@/core/document/schema";

/** A design as it lies in the browser. Every save gets a token of its own, so that no two saves are ever mixed up. */
export interface StoredDesign {
  id: string;
  design: Design;
  token: string;
  savedAt: string;
}

/** Something that lies beside a design: a photo, a frozen revision, a bout of practice. */
export interface StoredRecord {
  /** `designId/sort/id`: nothing of one design is ever taken for another's. */
  key: string;
  designId: string;
  sort: "photo" | "revision" | "run";
  value: unknown;
}

interface OvrinDatabase extends DBSchema {
  designs: { key: string; value: StoredDesign };
  records: { key: string; value: StoredRecord; indexes: { byDesign: string } };
  settings: { key: string; value: unknown };
}

export type Database = IDBPDatabase<OvrinDatabase>;

const NAME = "ovrin";
const VERSION = 3;

type Upgrade = NonNullable<NonNullable<Parameters<typeof openDB<OvrinDatabase>>[2]>["upgrade"]>;

/** Version 1 counted the saves of a design; the count becomes its token. Since version 3 records lie beside designs. */
export const upgrade: Upgrade = async (database, oldVersion, _newVersion, transaction) => {
  if (oldVersion < 3) database.createObjectStore("records", { keyPath: "key" }).createIndex("byDesign", "designId");
  if (oldVersion >= 2) return;
  if (oldVersion < 1) {
    database.createObjectStore("designs", { keyPath: "id" });
    database.createObjectStore("settings");
    return;
  }
  const designs = transaction.objectStore("designs");
  for (const { id, design, savedAt, ...rest } of await designs.getAll())
    await designs.put({ id, design, savedAt, token: `count-${String((rest as { revision?: number }).revision)}` });
};

let opened: Promise<Database> | null = null;

/** Opens the browser's database; a failed opening is tried again by the next call. */
export function openDatabase(): Promise<Database> {
  opened ??= openDB<OvrinDatabase>(NAME, VERSION, {
    upgrade,
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
