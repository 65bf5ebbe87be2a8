import { create } from "zustand";
import { newDesign } from "@/core/document/newDesign";
import type { Problem } from "@/core/document/problem";
import type { Design } from "@/core/document/schema";
import type { Attached } from "@/core/journal/attached";
import { MOST_DESIGN_BYTES } from "@/core/formats/designBytes";
import type { StoredDesign } from "./database";
import { listDesigns, loadDesign, removeDesign, restoreDesign, saveDesign } from "./designRepository";
import { layOutDemos } from "./demos";
import { newId } from "./newId";
import { attach, attachCopy, sweepRecords } from "./records";
import { type StoreTrouble, troubleOf } from "./storeTrouble";
import { tellTabs } from "./tabs";

interface ShelfState {
  designs: StoredDesign[] | null;
  trouble: StoreTrouble | null;
}

/** The designs in this browser. */
export const useShelf = create<ShelfState>(() => ({ designs: null, trouble: null }));

const set = useShelf.setState;

/** Why a file was not taken. */
export interface ImportRefusal {
  fileName: string;
  problems: Problem[];
}

async function guarded<T>(work: () => Promise<T>): Promise<T | null> {
  try {
    const result = await work();
    set({ trouble: null });
    return result;
  } catch (error) {
    set({ trouble: troubleOf(error), designs: useShelf.getState().designs ?? [] });
    return null;
  }
}

export async function refreshShelf(): Promise<void> {
  await guarded(async () => set({ designs: await listDesigns() }));
}

/** Opens the shelf; on the first visit the demos are on it. */
export async function openShelf(): Promise<void> {
  await guarded(layOutDemos);
  await refreshShelf();
  // What cannot be swept now is swept another time.
  await sweepRecords(Date.now()).catch(() => {});
}

/** Puts a design on the shelf that is not there yet. */
async function add(design: Design): Promise<string | null> {
  const result = await guarded(() => saveDesign(design, null, newId(), new Date()));
  if (result?.saved) tellTabs({ designId: design.id });
  await refreshShelf();
  return result?.saved ? design.id : null;
}

/** "Kestrel", then "Kestrel 2", "Kestrel 3" … */
function freeName(wanted: string): string {
  const taken = new Set((useShelf.getState().designs ?? []).map(({ design }) => design.name));
  if (!taken.has(wanted)) return wanted;
  let number = 2;
  while (taken.has(`${wanted} ${number}`)) number += 1;
  return `${wanted} ${number}`;
}

export async function addNew(name: string): Promise<string | null> {
  await refreshShelf();
  return add(newDesign(newId(), freeName(name)));
}

/** A copy of a demo or a design under a name of its own, with the photos and revisions of its journal. */
export async function addCopy(design: Design): Promise<string | null> {
  await refreshShelf();
  const id = newId();
  // First what lies beside it: once the design is on the shelf, somebody may open it and leave this page.
  if ((await guarded(() => attachCopy(design, id).then(() => true))) === null) return null;
  return add({ ...design, id, name: freeName(design.name) });
}

/**
 * A design from a file: under its own id when that is free, else as a copy; what came with it lies beside it. What is
 * stored is looked up afresh.
 */
async function addImported({ design, attached }: FileContent): Promise<string | null> {
  await refreshShelf();
  const isTaken = (useShelf.getState().designs ?? []).some(({ id }) => id === design.id);
  const id = isTaken ? newId() : design.id;
  if (attached && (await guarded(() => attach(id, attached).then(() => true))) === null) return null;
  return add({ ...design, id, name: freeName(design.name) });
}

/** Renames what is stored; where another tab saves it at this very moment, that save is renamed. */
export async function renameOnShelf(id: string, name: string): Promise<void> {
  await guarded(async () => {
    for (let stored = await loadDesign(id); stored; stored = await loadDesign(id)) {
      const result = await saveDesign({ ...stored.design, name }, stored.token, newId(), new Date());
      if (result.saved) return tellTabs({ designId: id });
    }
  });
  await refreshShelf();
}

/** How putting back ended: on its own place, beside what lies there by now, or not at all. */
export type PutBack = { id: string; name: string; beside: boolean } | null;

/**
 * Takes a design off the shelf.
 * @returns how to put back what lay there, or null where nothing was taken
 */
export async function removeFromShelf(id: string): Promise<(() => Promise<PutBack>) | null> {
  const removed = await guarded(() => removeDesign(id));
  if (removed) tellTabs({ designId: id });
  await refreshShelf();
  return removed && (() => putBack(removed));
}

/** Another tab may have saved a design of this id meanwhile: that one is not overwritten. */
async function putBack(removed: StoredDesign): Promise<PutBack> {
  const { id, design } = removed;
  const isBack = await guarded(() => restoreDesign(removed));
  if (isBack === null) return null;
  if (isBack) tellTabs({ designId: id });
  await refreshShelf();
  if (isBack) return { id, name: design.name, beside: false };
  const copyId = await addCopy(design);
  const copy = useShelf.getState().designs?.find((stored) => stored.id === copyId);
  return copy ? { id: copy.id, name: copy.design.name, beside: true } : null;
}

const megabytes = (bytes: number) => (bytes / 1024 / 1024).toFixed(1);

interface FileContent {
  design: Design;
  attached?: Attached;
  /** What of the file was left out. */
  left: Problem[];
}

/** A ZIP archive begins so (APPNOTE 6.3, local file header). */
async function isArchive(file: File): Promise<boolean> {
  const head = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  return head[0] === 0x50 && head[1] === 0x4b && head[2] === 3 && head[3] === 4;
}

async function readFile(file: File): Promise<FileContent | ImportRefusal> {
  const refuse = (...problems: Problem[]): ImportRefusal => ({ fileName: file.name, problems });
  if (await isArchive(file)) {
    const { MOST_ARCHIVE_BYTES, readArchive } = await import("@/core/formats/readArchive");
    if (file.size > MOST_ARCHIVE_BYTES)
      return refuse({ path: "", message: `Archives up to ${megabytes(MOST_ARCHIVE_BYTES)} MB are read.` });
    const read = readArchive(new Uint8Array(await file.arrayBuffer()));
    return read.ok ? read.value : refuse(...read.problems);
  }
  if (file.size > MOST_DESIGN_BYTES)
    return refuse({
      path: "",
      message: `The file has ${megabytes(file.size)} MB. Design files are far smaller; up to ${megabytes(MOST_DESIGN_BYTES)} MB are read.`,
    });
  const { readDesignText } = await import("@/core/formats/readDesignText");
  const read = readDesignText(await file.text());
  return read.ok ? { design: read.value, left: [] } : refuse(...read.problems);
}

/** Takes design files onto the shelf, each as a design of its own; what is stored already is never touched. */
export async function importFiles(
  files: File[],
): Promise<{ taken: string[]; refused: ImportRefusal[]; left: ImportRefusal[] }> {
  const taken: string[] = [];
  const refused: ImportRefusal[] = [];
  const left: ImportRefusal[] = [];
  for (const file of files) {
    const read = await readFile(file);
    if ("problems" in read) {
      refused.push(read);
      continue;
    }
    const id = await addImported(read);
    if (id) taken.push(id);
    if (id && read.left.length > 0) left.push({ fileName: file.name, problems: read.left });
  }
  return { taken, refused, left };
}
