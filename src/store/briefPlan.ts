import { useEffect, useMemo, useState } from "react";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import type { Design } from "@/core/document/schema";
import { countedAfterMs } from "@/core/document/debounce";
import { planning, stopPlanning } from "@/workers/planning";
import type { BriefAnswer } from "@/workers/planningTasks";

export interface BriefPlan {
  answers: BriefAnswer[] | null;
  isWorking: boolean;
}

/** The brief's options, worked out beside the page; what was known stays on screen until the new answer is there. */
export function useBriefPlan({ brief, profiles, timing }: Design): BriefPlan {
  const { wish, matrixShape, prices } = brief;
  const { settleUs } = timing;
  const debounceMs = countedAfterMs(timing.debounce);
  const question = useMemo(
    () => ({
      wish,
      profiles: [...controllerCatalogue, ...profiles],
      setting: { brief: { matrixShape, prices }, debounceMs, settleUs },
    }),
    [wish, profiles, matrixShape, prices, debounceMs, settleUs],
  );
  const [known, setKnown] = useState<{ question: object; answers: BriefAnswer[] } | null>(null);
  useEffect(() => {
    let isStale = false;
    let isDone = false;
    void planning()
      .planBrief(question.wish, question.profiles, question.setting)
      .then((answers) => {
        isDone = true;
        if (!isStale) setKnown({ question, answers });
      });
    return () => {
      isStale = true;
      // An answer that nobody waits for any more must not hold up the next one.
      if (!isDone) stopPlanning();
    };
  }, [question]);
  return { answers: known?.answers ?? null, isWorking: known?.question !== question };
}
