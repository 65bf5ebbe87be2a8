import { useEffect, useState } from "react";
import type { ToldComparison } from "@/core/compare/toldComparison";
import { revisionsOf } from "@/core/journal/revisions";
import type { Design } from "@/core/document/schema";
import { readToday } from "@/core/document/readToday";
import { planning } from "@/workers/planning";
import { NOW, useJournal } from "./journalInHand";
import { getRecord } from "./records";

/** A design as it was frozen; null where it does not lie in this browser, or cannot be read any more. */
export async function frozenDesign(designId: string, entryId: string): Promise<Design | null> {
  const kept = await getRecord(designId, "revision", entryId).catch(() => null);
  if (!kept) return null;
  const read = readToday(kept.design);
  if (read.ok) return read.value;
  const { readDesign } = await import("@/core/document/readDesign");
  const brought = readDesign(kept.design);
  return brought.ok ? brought.value : null;
}

/** Two designs side by side; which of them is missing, where one is. */
export interface Compared {
  before: Design | null;
  after: Design | null;
  told: ToldComparison | null;
}

const sideOf = (design: Design, id: string) => (id === NOW ? Promise.resolve(design) : frozenDesign(design.id, id));

/** The revision compared from, if nobody chose one: the newest. */
export function useCompared(design: Design): { from: string | null; to: string; compared: Compared | null } {
  const { from: chosen, to } = useJournal();
  const entries = revisionsOf(design);
  const from = entries.some(({ id }) => id === chosen) ? chosen : (entries.at(-1)?.id ?? null);
  const [compared, setCompared] = useState<Compared | null>(null);
  useEffect(() => {
    let isWanted = true;
    if (from === null) {
      setCompared(null);
      return;
    }
    void Promise.all([sideOf(design, from), sideOf(design, to)]).then(async ([before, after]) => {
      const told = before && after ? await planning().compare(before, after) : null;
      if (isWanted) setCompared({ before, after, told });
    });
    return () => {
      isWanted = false;
    };
  }, [design, from, to]);
  return { from, to, compared };
}
