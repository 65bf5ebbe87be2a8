import { useEffect, useState } from "react";
import type { PartsApart } from "@/core/brief/apart/partsApart";
import type { Design } from "@/core/document/schema";
import { planning, stopPlanning } from "@/workers/planning";

/** How parts that lie apart can be reached, worked out beside the page; undefined until the first answer is there. */
export function usePartsApart(design: Design): PartsApart | null | undefined {
  const [answer, setAnswer] = useState<PartsApart | null>();
  useEffect(() => {
    let isStale = false;
    let isDone = false;
    void planning()
      .partsApart(design)
      .then((apart) => {
        isDone = true;
        if (!isStale) setAnswer(apart);
      });
    return () => {
      isStale = true;
      if (!isDone) stopPlanning();
    };
  }, [design]);
  return answer;
}
