import { memo } from "react";
import type { Design } from "@/core/document/schema";
import { boardRings } from "@/core/layout/boardOutline";
import { ringPath } from "./outlinePath";

/** The boards beneath the controls. */
export const BoardShapes = memo(function BoardShapes({ design }: { design: Design }) {
  return (
    <g pointerEvents="none">
      {design.boards.map((board, nth) => {
        const ring = boardRings(design)[nth];
        return (
          ring && (
            <path key={board.id} d={ringPath(ring)} fill="var(--board)" stroke="var(--board-edge)" strokeWidth={0.35} />
          )
        );
      })}
    </g>
  );
});
