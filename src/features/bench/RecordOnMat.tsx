"use client";

import { useMemo } from "react";
import type { Design } from "@/core/document/schema";
import { timelineOf } from "@/core/journal/timeline";
import { useJournal } from "@/store/journalInHand";
import { RecordLens } from "@/ui/lenses/RecordLens";
import { later } from "@/ui/pieces/later";

const ChangesOnMat = later(() => import("./ChangesOnMat").then((m) => m.ChangesOnMat));

/** How often the record speaks of each part; on the sheet of revisions, what two of them differ in. */
export function RecordOnMat({ design }: { design: Design }) {
  const tab = useJournal((state) => state.tab);
  return tab === "revisions" ? <ChangesOnMat design={design} /> : <Marks design={design} />;
}

function Marks({ design }: { design: Design }) {
  const entryId = useJournal((state) => state.entryId);
  const { counts, own } = useMemo(() => {
    const counts = new Map<string, number>();
    const lines = timelineOf(design);
    for (const { partIds } of lines) for (const id of partIds) counts.set(id, (counts.get(id) ?? 0) + 1);
    return { counts, own: lines.find(({ id }) => id === entryId)?.partIds ?? [] };
  }, [design, entryId]);
  return <RecordLens design={design} counts={counts} ownIds={own} />;
}
