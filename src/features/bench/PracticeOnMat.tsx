"use client";

import type { Design } from "@/core/document/schema";
import { usePractice } from "@/store/practiceInHand";
import { PracticeLens } from "@/ui/lenses/PracticeLens";

/** What shall be pressed next, and what is held along. */
export function PracticeOnMat({ design }: { design: Design }) {
  const controlIds = usePractice((state) => state.controlIds);
  const heldIds = usePractice((state) => state.heldIds);
  return <PracticeLens design={design} controlIds={controlIds} heldIds={heldIds} />;
}
