import { memo } from "react";
import type { Design } from "@/core/design/schema";
import { boardOutline } from "@/core/layout/boardOutline";
import { outlinePath } from "./outlinePath";

/** The boards beneath the controls. */
export const BoardShapes = memo(function BoardShapes({ design }: { design: Design }) {
  return (
    <g pointerEvents="none">
      {design.boards.map((board) => {
        const outline = boardOutline(design, board.id);
        return (
          outline && (
            <path
              key={board.id}
              d={outlinePath(outline)}
              fill="var(--board)"
              stroke="var(--board-edge)"
              strokeWidth={0.35}
            />
          )
        );
      })}
    </g>
  );
});
