import { create } from "zustand";
import type { EntryKind } from "@/core/document/journalSettings";

export type JournalTab = "entries" | "revisions" | "plan";

/** The design as it is now, where two are compared. */
export const NOW = "now";

interface JournalInHand {
  tab: JournalTab;
  /** The line of the record that is looked at. */
  entryId: string | null;
  /** Lines of one kind only. */
  kind: EntryKind | null;
  /** Lines about the selected parts only. */
  isOfSelection: boolean;
  /** The two that are compared, by their entries' ids or `NOW`. */
  from: string | null;
  to: string;
}

export const useJournal = create<JournalInHand>(() => ({
  tab: "entries",
  entryId: null,
  kind: null,
  isOfSelection: false,
  from: null,
  to: NOW,
}));

const set = useJournal.setState;

export const openJournalTab = (tab: JournalTab): void => set({ tab });
export const pickEntry = (entryId: string | null): void => set({ entryId });
export const showKind = (kind: EntryKind | null): void => set({ kind });
export const showOfSelection = (isOfSelection: boolean): void => set({ isOfSelection });
export const compareFrom = (from: string): void => set({ from });
export const compareTo = (to: string): void => set({ to });
