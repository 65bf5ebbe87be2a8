import { create } from "zustand";
import type { PracticeRun } from "@/core/practice/run";
import { MOST_RUNS } from "@/core/practice/run";
import { addPractised } from "./practiceInHand";
import { forgetRuns, putRecords, runsOf } from "./records";

interface PracticeRuns {
  designId: string | null;
  /** Null until they were read. */
  runs: PracticeRun[] | null;
  /** Why the last bout could not be kept. */
  trouble: string | null;
}

/** Bouts of practice on the design in hand, kept in this browser beside it. */
export const usePracticeRuns = create<PracticeRuns>(() => ({ designId: null, runs: null, trouble: null }));

const { getState: get, setState: set } = usePracticeRuns;

export async function readRuns(designId: string): Promise<void> {
  if (get().designId === designId) return;
  set({ designId, runs: null, trouble: null });
  const runs = await runsOf(designId).catch(() => []);
  if (get().designId === designId) set({ runs });
}

/** Keeps a bout; when there are too many, the oldest are no longer reckoned with. */
export async function logRun(designId: string, run: PracticeRun): Promise<void> {
  addPractised(run.seconds / 60);
  if (get().designId === designId) set({ runs: [...(get().runs ?? []), run].slice(-MOST_RUNS) });
  try {
    await putRecords(designId, "run", [run]);
    set({ trouble: null });
  } catch {
    set({
      trouble:
        "This bout could not be kept: the browser has no room, or keeps nothing. It counts until the page is left.",
    });
  }
}

export async function forgetPractice(designId: string): Promise<void> {
  await forgetRuns(designId).catch(() => {});
  if (get().designId === designId) set({ runs: [] });
}
