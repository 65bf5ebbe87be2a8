"use client";

import type { Segments } from "@/core/catalogue/kinds/segments";
import type { Design } from "@/core/document/schema";
import { patternWords } from "@/core/keymap/segmentSigns";
import { useSession } from "@/store/session";

const PITCH_MM = 7.4;
const HEIGHT_MM = 13;
/** A digit's strokes, from the point down to g as their bits are, about its middle, in mm. */
const STROKES = [
  "M2.6 4.6h.01",
  "M-1.5 -4h3",
  "M1.8 -3.7v3.3",
  "M1.8 .4v3.3",
  "M-1.5 4h3",
  "M-1.8 .4v3.3",
  "M-1.8 -3.7v3.3",
  "M-1.5 0h3",
];
const POINT_BIT = 7;

/** What segment displays show while the device runs: what their drivers hold, stroke by stroke. */
export function LiveDigits({ design }: { design: Design }) {
  const digits = useSession((state) => state.digits);
  return design.controls
    .filter((control): control is Segments => control.kind === "segments" && Object.hasOwn(digits, control.id))
    .map((control) => <Digits key={control.id} control={control} patterns={digits[control.id]} />);
}

function Digits({ control, patterns }: { control: Segments; patterns: number[] }) {
  const { xMm, yMm, rotationDeg } = control.placement;
  const width = PITCH_MM * patterns.length;
  const words = patternWords(patterns);
  return (
    <g
      role="img"
      aria-label={`${control.label} shows ${words === "" ? "nothing" : words}`}
      transform={`translate(${xMm} ${yMm}) rotate(${rotationDeg})`}
      pointerEvents="none"
    >
      <rect x={-width / 2} y={-HEIGHT_MM / 2} width={width} height={HEIGHT_MM} rx={0.6} fill="var(--cap-ink)" />
      {patterns.map((pattern, nth) => (
        <g key={nth} transform={`translate(${(nth + 0.5) * PITCH_MM - width / 2 - 0.4} 0) skewX(-6)`}>
          {STROKES.map((path, bit) => (
            <path
              key={path}
              d={path}
              fill="none"
              stroke="var(--saffron)"
              strokeWidth={0.9}
              strokeLinecap="round"
              opacity={(pattern >> (POINT_BIT - bit)) & 1 ? 1 : 0.08}
            />
          ))}
        </g>
      ))}
    </g>
  );
}
