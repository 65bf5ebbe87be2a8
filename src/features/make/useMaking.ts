import { useMemo } from "react";
import { USUAL_LEARNING, paceOf } from "@/core/assembly/pace";
import { doneSteps } from "@/core/assembly/progress";
import type { ToldAssembly } from "@/core/assembly/toldAssembly";
import { deviceOf } from "@/core/document/buildSettings";
import type { TimeWish } from "@/core/assembly/time";
import { useAssembly } from "@/store/assemblyAside";
import { useDesign } from "@/store/bench";
import { usePaceLog } from "@/store/paceLog";

export interface Making extends ToldAssembly {
  done: Set<string>;
  skipped: Set<string>;
  /** For the device on the bench, at this person's pace. */
  wish: TimeWish;
}

/** The steps of the design in hand with how far they are; null while they are being worked out. */
export function useMaking(): Making | null {
  const design = useDesign();
  const { view } = useAssembly(design);
  const entries = usePaceLog((state) => state.entries);
  const pace = useMemo(() => paceOf(entries ?? []), [entries]);
  return useMemo(
    () =>
      view && {
        ...view,
        done: doneSteps(design, view.steps),
        skipped: new Set(design.build?.skipped ?? []),
        wish: { pace, device: deviceOf(design), learning: USUAL_LEARNING },
      },
    [design, view, pace],
  );
}
