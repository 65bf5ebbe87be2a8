import { memo } from "react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { boundsOf } from "@/core/geometry/outline";
import { outlinePath } from "../drawing/outlinePath";
import { Upright } from "../drawing/Upright";
import { textClass } from "../mat/readable";

interface RecordLensProps {
  design: Design;
  /** How often the record speaks of a part. */
  counts: ReadonlyMap<string, number>;
  /** Parts of the entry in hand. */
  ownIds: string[];
}

const SIZE_MM = 5;
const RADIUS_MM = 3.4;

/** A number at the corner of each part that the record speaks of. */
export const RecordLens = memo(function RecordLens({ design, counts, ownIds }: RecordLensProps) {
  const { caps } = derive(design);
  const own = new Set(ownIds);
  return (
    <g pointerEvents="none">
      {design.controls.map(({ id }, nth) => {
        const around = boundsOf([caps[nth]]);
        const count = counts.get(id);
        if (!around || count === undefined) return null;
        return (
          <g key={id}>
            {own.has(id) && <path d={outlinePath(caps[nth])} fill="none" stroke="var(--saffron)" strokeWidth={1} />}
            <Upright x={around.maxXMm - 2} y={around.minYMm + 2}>
              <circle r={RADIUS_MM} fill="var(--saffron)" stroke="var(--mat)" strokeWidth={0.4} />
              <text
                className={textClass(SIZE_MM)}
                style={{ fontSize: SIZE_MM }}
                textAnchor="middle"
                y={1.75}
                fill="var(--saffron-ink)"
                fontWeight={700}
              >
                {count}
              </text>
            </Upright>
          </g>
        );
      })}
    </g>
  );
});
