import { create } from "zustand";

export interface Notice {
  words: string;
  action?: { label: string; onClick: () => void };
}

interface Notices {
  waiting: Notice[];
  /** Whether anything was ever told: until then the board that shows it is not loaded. */
  isNeeded: boolean;
}

/** What is to be told in passing, until it is shown. */
export const useNotices = create<Notices>(() => ({ waiting: [], isNeeded: false }));
