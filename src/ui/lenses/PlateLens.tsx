import { memo } from "react";
import type { Design } from "@/core/document/schema";
import { derive } from "@/core/derived/derive";
import { keepOuts, plugOutline } from "@/core/layout/keepOuts";
import type { Point } from "@/core/geometry/point";
import { outlinePath } from "../drawing/outlinePath";

interface PlateLensProps {
  design: Design;
  seam: Point[] | null;
}

const linePath = (points: Point[]) => `M${points.map((p) => `${p.xMm} ${p.yMm}`).join("L")}`;

/** What is cut into the plates, what needs room behind them, the plug's way, and a seam that is looked at. */
export const PlateLens = memo(function PlateLens({ design, seam }: PlateLensProps) {
  const derived = derive(design);
  const plug = plugOutline(derived);
  return (
    <g pointerEvents="none">
      {derived.openings.map(({ outline }, nth) => (
        <path
          key={nth}
          d={outlinePath(outline)}
          fill="var(--mat)"
          fillOpacity={0.55}
          stroke="var(--ink-on-plate, #0b3036)"
          strokeWidth={0.35}
        />
      ))}
      {keepOuts(derived, "behind").map(({ outline }, nth) => (
        <path
          key={nth}
          d={outlinePath(outline)}
          fill="none"
          stroke="var(--cap-edge)"
          strokeWidth={0.3}
          strokeDasharray="0.8 0.8"
        />
      ))}
      {plug && (
        <path
          d={outlinePath(plug)}
          fill="var(--saffron)"
          fillOpacity={0.18}
          stroke="var(--saffron)"
          strokeWidth={0.3}
          strokeDasharray="1.6 1"
        />
      )}
      {seam && (
        <path d={linePath(seam)} fill="none" stroke="var(--saffron)" strokeWidth={1.1} strokeDasharray="4 1.4" />
      )}
    </g>
  );
});
