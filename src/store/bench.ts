import { create } from "zustand";
import { readDesign } from "@/core/design/readDesign";
import { type Design, MOST_CONTROLS } from "@/core/design/schema";
import type { StoredDesign } from "./database";
import { layOutDemos } from "./demos";
import { loadDesign, saveDesign } from "./designRepository";
import { type History, advance, redo, startHistory, undo } from "./history";
import { type StoreTrouble, troubleOf } from "./storeTrouble";
import { hearTabs, tellTabs } from "./tabs";

type Saving =
  | { state: "saved" }
  | { state: "waiting" }
  | { state: "failed"; trouble: StoreTrouble }
  /** Another tab saved this design meanwhile; nothing is overwritten until the person says so. */
  | { state: "conflict"; stored: StoredDesign };

export type BenchStatus = "loading" | "ready" | "missing" | "unreadable";

interface BenchState {
  status: BenchStatus;
  problem: string;
  history: History | null;
  revision: number;
  saving: Saving;
  /** Selected control ids, in the order they were picked. */
  selection: string[];
  /** The input, net or layer in hand, where a stage works on one. */
  inputId: string | null;
  netId: string | null;
  layerId: string | null;
  flipped: boolean;
  /** Why the last edit was not made. */
  refusal: string | null;
}

const AUTOSAVE_MS = 300;

const closed: BenchState = {
  status: "loading",
  problem: "",
  history: null,
  revision: 0,
  saving: { state: "saved" },
  selection: [],
  inputId: null,
  netId: null,
  layerId: null,
  flipped: false,
  refusal: null,
};

/** What lies on the bench: one design, its history, and what the person has in hand. */
export const useBench = create<BenchState>(() => closed);

const set = useBench.setState;
const get = useBench.getState;

let timer: ReturnType<typeof setTimeout> | undefined;
let writing: Promise<void> = Promise.resolve();

/** Lays a design of the shelf on the bench. A design that is there already stays with its history. */
export async function openOnBench(id: string): Promise<void> {
  if (get().history?.design.id === id && get().status === "ready") return;
  await saveNow();
  set({ ...closed });
  try {
    await layOutDemos();
    const stored = await loadDesign(id);
    if (!stored) return set({ status: "missing" });
    const read = readDesign(stored.design);
    if (!read.ok) return set({ status: "unreadable", problem: `${read.problems[0].path} ${read.problems[0].message}` });
    set({ status: "ready", history: startHistory(read.value), revision: stored.revision });
  } catch (error) {
    set({ status: "unreadable", problem: troubleOf(error).message });
  }
}

/** Changes the design: one step to undo. An edit that changes nothing leaves no step. */
export function edit(title: string, change: (design: Design) => Design): void {
  const { history } = get();
  if (!history) return;
  const changed = change(history.design);
  if (changed.controls.length > MOST_CONTROLS)
    return set({
      refusal: `Not done: the device would have ${changed.controls.length} parts; a design holds ${MOST_CONTROLS}.`,
    });
  const next = advance(history, changed, title);
  if (next === history) return;
  set({ history: next, refusal: null });
  keepSelectionSound();
  scheduleSave();
}

export const understoodRefusal = (): void => set({ refusal: null });

export function undoEdit(): void {
  step(undo);
}

export function redoEdit(): void {
  step(redo);
}

function step(move: (history: History) => History) {
  const { history } = get();
  if (!history) return;
  const next = move(history);
  if (next === history) return;
  set({ history: next });
  keepSelectionSound();
  scheduleSave();
}

/** What is selected must still exist. */
function keepSelectionSound() {
  const { history, selection, layerId } = get();
  if (!history) return;
  const ids = new Set(history.design.controls.map((control) => control.id));
  const kept = selection.filter((id) => ids.has(id));
  if (kept.length !== selection.length) set({ selection: kept });
  if (layerId && !history.design.keymap.layers.some((layer) => layer.id === layerId)) set({ layerId: null });
}

function scheduleSave() {
  if (get().saving.state === "conflict") return;
  set({ saving: { state: "waiting" } });
  clearTimeout(timer);
  timer = setTimeout(() => void saveNow(), AUTOSAVE_MS);
}

/** Writes what is not yet written; called by itself soon after each edit, and when the page is left. */
export function saveNow(): Promise<void> {
  clearTimeout(timer);
  const { saving } = get();
  if (saving.state === "waiting" || saving.state === "failed") writing = writing.then(() => write());
  return writing;
}

async function write(force = false): Promise<void> {
  const { history, revision } = get();
  if (!history) return;
  const { design } = history;
  try {
    const result = await saveDesign(design, force ? null : revision, new Date());
    if (get().history?.design.id !== design.id) return;
    if (!result.saved) return set({ saving: { state: "conflict", stored: result.stored } });
    const untouched = get().history?.design === design;
    set({ revision: result.revision, saving: { state: untouched ? "saved" : "waiting" } });
    tellTabs(design.id, result.revision);
  } catch (error) {
    set({ saving: { state: "failed", trouble: troubleOf(error) } });
  }
}

/** Ends a conflict: keep what is on this bench and overwrite the other tab's. */
export async function keepMine(): Promise<void> {
  set({ saving: { state: "waiting" } });
  writing = writing.then(() => write(true));
  return writing;
}

/** Ends a conflict: take what the other tab saved; what was here can be had back by undoing. */
export function takeTheirs(): void {
  const { saving, history } = get();
  if (saving.state !== "conflict" || !history) return;
  const next = advance(history, saving.stored.design, "take the other tab's version");
  set({ history: next, revision: saving.stored.revision, saving: { state: "saved" } });
  keepSelectionSound();
}

/** Another tab's save is told before anything is overwritten. */
async function onOtherTab(designId: string, revision: number | null) {
  const { history, saving } = get();
  if (history?.design.id !== designId || revision === null || saving.state === "conflict") return;
  if (revision <= get().revision) return;
  const stored = await loadDesign(designId).catch(() => undefined);
  if (stored && stored.revision > get().revision) {
    clearTimeout(timer);
    set({ saving: { state: "conflict", stored } });
  }
}

if (typeof window !== "undefined") {
  hearTabs((message) => void onOtherTab(message.designId, message.revision));
  window.addEventListener("pagehide", () => void saveNow());
}

export const select = (ids: string[]): void => set({ selection: ids });

export function toggleSelected(id: string): void {
  const { selection } = get();
  set({ selection: selection.includes(id) ? selection.filter((other) => other !== id) : [...selection, id] });
}

export const takeInput = (inputId: string | null): void => set({ inputId });
export const takeNet = (netId: string | null): void => set({ netId });
export const takeLayer = (layerId: string | null): void => set({ layerId });
export const flip = (): void => set({ flipped: !get().flipped });

/** The design on the bench; only for places that are shown when there is one. */
export const useDesign = (): Design => useBench((state) => state.history!.design);
export const currentDesign = (): Design | null => get().history?.design ?? null;
