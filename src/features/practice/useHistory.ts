import { useMemo } from "react";
import { type PracticeDay, addedUp, daysOf } from "@/core/practice/history";
import type { PracticeRun, Tally } from "@/core/practice/run";
import { usePracticeRuns } from "@/store/practiceRuns";

/** Minutes from here to UTC at a moment: summer time may have been then. */
export const offsetOf = (at: string): number => new Date(at).getTimezoneOffset();

export interface History {
  runs: PracticeRun[];
  days: PracticeDay[];
  /** Of typed signs. */
  signs: Map<string, Tally>;
}

/** All practice on the design in hand; null until it was read. */
export function useHistory(): History | null {
  const runs = usePracticeRuns((state) => state.runs);
  return useMemo(
    () =>
      runs && {
        runs,
        days: daysOf(runs, offsetOf),
        signs: addedUp(runs.filter(({ sort }) => sort === "type")),
      },
    [runs],
  );
}
