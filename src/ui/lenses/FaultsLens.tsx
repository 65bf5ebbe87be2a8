import { memo } from "react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import type { Point } from "@/core/geometry/point";
import { outlinePath } from "../drawing/outlinePath";
import { Upright } from "../drawing/Upright";
import { textClass } from "../mat/readable";

/** A place where something may be wrong, with how likely that is. */
export interface Suspicion {
  at: Point;
  share: number;
  /** The first place of its suspect: there its share is written, once. */
  isFirst: boolean;
}

interface FaultsLensProps {
  design: Design;
  suspicions: Suspicion[];
  /** Parts that the test in hand is about, and where its tips or thumbs go. */
  testedIds: string[];
  testedAt: Point[];
}

const WORD_MM = 5;
/** Of many that are alike unlikely the numbers would only cover each other. */
const WRITTEN_FROM = 0.2;
const LEAST_MM = 1.4;
const MOST_MM = 4.5;

/** Where the fault may be, larger the likelier, and what the next test touches. */
export const FaultsLens = memo(function FaultsLens({ design, suspicions, testedIds, testedAt }: FaultsLensProps) {
  const { bodies } = derive(design);
  const tested = new Set(testedIds);
  return (
    <g pointerEvents="none">
      {design.controls.map(
        ({ id }, nth) =>
          tested.has(id) && (
            <path key={id} d={outlinePath(bodies[nth])} fill="none" stroke="var(--saffron)" strokeWidth={0.9} />
          ),
      )}
      {testedAt.map(({ xMm, yMm }, nth) => (
        <circle key={nth} cx={xMm} cy={yMm} r={1.2} fill="none" stroke="var(--saffron)" strokeWidth={0.5} />
      ))}
      {[...suspicions].reverse().map(({ at, share, isFirst }, nth) => (
        <g key={nth}>
          <circle
            cx={at.xMm}
            cy={at.yMm}
            r={LEAST_MM + (MOST_MM - LEAST_MM) * Math.sqrt(share)}
            fill="var(--stop)"
            fillOpacity={0.25 + 0.5 * share}
            stroke="var(--stop)"
            strokeWidth={0.4}
          />
          {isFirst && share >= WRITTEN_FROM && (
            <Upright x={at.xMm} y={at.yMm - MOST_MM - 0.8}>
              <text
                className={textClass(WORD_MM)}
                style={{ fontSize: WORD_MM }}
                textAnchor="middle"
                fill="var(--mat-ink)"
                stroke="var(--mat)"
                strokeWidth={0.9}
                paintOrder="stroke"
              >
                {Math.round(share * 100)} %
              </text>
            </Upright>
          )}
        </g>
      ))}
    </g>
  );
});
