import { memo } from "react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { outlinePath } from "../drawing/outlinePath";

interface PracticeLensProps {
  design: Design;
  controlIds: string[];
  heldIds: string[];
}

/** The part that is wanted, full; what is held along, in outline. */
export const PracticeLens = memo(function PracticeLens({ design, controlIds, heldIds }: PracticeLensProps) {
  const { caps } = derive(design);
  return (
    <g pointerEvents="none">
      {design.controls.map(({ id }, nth) => {
        const isWanted = controlIds.includes(id);
        if (!isWanted && !heldIds.includes(id)) return null;
        return (
          <path
            key={id}
            data-wanted={isWanted ? id : undefined}
            d={outlinePath(caps[nth])}
            fill="var(--saffron)"
            fillOpacity={isWanted ? 0.22 : 0}
            stroke="var(--saffron)"
            strokeWidth={1.2}
            strokeDasharray={isWanted ? undefined : "2.4 1.4"}
          />
        );
      })}
    </g>
  );
});
