import { create } from "zustand";
import type { Design } from "@/core/document/schema";

/** What the person has in hand: the selection, and the input, net or layer that a stage works on. */
interface Hand {
  /** Selected control ids, in the order they were picked. */
  selection: string[];
  inputId: string | null;
  netId: string | null;
  /** Of several controllers the one that Pins is about. */
  controllerId: string | null;
  layerId: string | null;
  flipped: boolean;
  /** Whoever practises may have the caps bare, and types by legends. */
  hasBareCaps: boolean;
  readsLegends: boolean;
}

const empty: Hand = {
  selection: [],
  inputId: null,
  netId: null,
  controllerId: null,
  layerId: null,
  flipped: false,
  hasBareCaps: false,
  readsLegends: false,
};

export const useHand = create<Hand>(() => empty);

const set = useHand.setState;

export const letGoOfAll = (): void => set(empty);

/** What is in hand must still exist. */
export function keepHandSound(design: Design): void {
  const { selection, layerId } = useHand.getState();
  const ids = new Set(design.controls.map((control) => control.id));
  const kept = selection.filter((id) => ids.has(id));
  if (kept.length !== selection.length) set({ selection: kept });
  if (layerId && !design.keymap.layers.some((layer) => layer.id === layerId)) set({ layerId: null });
}

export const select = (ids: string[]): void => set({ selection: ids });

export function toggleSelected(id: string): void {
  const { selection } = useHand.getState();
  set({ selection: selection.includes(id) ? selection.filter((other) => other !== id) : [...selection, id] });
}

export const pickInput = (inputId: string | null): void => set({ inputId });
export const pickNet = (netId: string | null): void => set({ netId });
export const pickController = (controllerId: string): void => set({ controllerId });
export const pickLayer = (layerId: string | null): void => set({ layerId });
export const readLegends = (readsLegends: boolean): void => set({ readsLegends });
export const bareCaps = (hasBareCaps: boolean): void => set({ hasBareCaps });
export const flip = (): void => set({ flipped: !useHand.getState().flipped });
