import { create } from "zustand";
import type { Design } from "@/core/document/schema";
import { layOutDemos } from "./demos";
import { loadDesign, saveDesign } from "./designRepository";
import { keepHandSound, letGoOfAll } from "./hand";
import { newId } from "./newId";
import { OpenDesigns, type OpenState, nothingOpen } from "./openDesigns";
import { hearTabs, tellTabs } from "./tabs";

/** What lies on the bench: one design with its history, and how its saving stands. */
export const useBench = create<OpenState>(() => nothingOpen);

const get = useBench.getState;

/** The browser's clock, storage and tabs around the open designs. */
const designs = new OpenDesigns({
  async load(id) {
    await layOutDemos();
    return loadDesign(id);
  },
  write: (design, from, token) => saveDesign(design, from, token, new Date()),
  after(ms, act) {
    const timer = setTimeout(act, ms);
    return () => clearTimeout(timer);
  },
  newToken: newId,
  tell: (designId) => tellTabs({ designId }),
  changed(state) {
    const before = get().history?.design;
    useBench.setState(state);
    if (!state.history || state.history.design.id !== before?.id) letGoOfAll();
    else if (state.history.design !== before) keepHandSound(state.history.design);
  },
});

/** Lays a design of the shelf on the bench. A design that is there already stays with its history. */
export const openOnBench = (id: string): Promise<void> => designs.lay(id);

/** Changes the design: one step to undo. An edit that changes nothing leaves no step; one that is refused says why. */
export const edit = (title: string, change: (design: Design) => Design): void => designs.edit(title, change);

export const undoEdit = (): void => designs.undo();
export const redoEdit = (): void => designs.redo();
export const understoodRefusal = (): void => designs.understood();

/** Writes what is not yet written; called by itself soon after each edit, and when the page is left. */
export const saveNow = (): Promise<void> => designs.saveNow();

/** Ends a conflict: keep what is on this bench and overwrite the other tab's. */
export const keepMine = (): Promise<void> => designs.keepMine();

/** Ends a conflict: take what the other tab saved; what was here can be had back by undoing. */
export const keepTheirs = (): void => designs.keepTheirs();

if (typeof window !== "undefined") {
  hearTabs(({ designId }) => void designs.heard(designId));
  window.addEventListener("pagehide", () => void designs.saveNow());
  // What cannot be written in time is asked about before the page goes.
  window.addEventListener("beforeunload", (event) => {
    if (designs.isSettled) return;
    void designs.saveNow();
    event.preventDefault();
  });
}

/** The design on the bench; only for places that are shown when there is one. */
export const useDesign = (): Design => useBench((state) => state.history!.design);
export const currentDesign = (): Design | null => get().history?.design ?? null;
