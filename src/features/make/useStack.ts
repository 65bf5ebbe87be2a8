import { useMemo } from "react";
import type { Board } from "@/core/document/schema";
import { type Stack, stackOf } from "@/core/making/stack";
import { useDesign } from "@/store/bench";
import { useStepInHand } from "@/store/stepInHand";

/** The board that is looked at from the side, and its stack; null where no board has an edge. */
export function useStack(): { board: Board; stack: Stack; boards: Board[] } | null {
  const design = useDesign();
  const picked = useStepInHand((state) => state.stackOf);
  return useMemo(() => {
    const edged = design.boards.flatMap((board) => {
      const stack = stackOf(design, board);
      return stack ? [{ board, stack }] : [];
    });
    const shown = edged.find(({ board }) => board.id === picked) ?? edged[0];
    return shown ? { ...shown, boards: edged.map(({ board }) => board) } : null;
  }, [design, picked]);
}
