import { memo } from "react";
import { type View, tickStepMm } from "./view";

const THICK = 20;

interface RulersProps {
  view: View;
  widthPx: number;
  heightPx: number;
  flipped: boolean;
}

function ticks(originPx: number, scale: number, lengthPx: number): { mm: number; px: number }[] {
  const step = tickStepMm(scale);
  const first = Math.ceil(-originPx / scale / step) * step;
  const count = Math.max(0, Math.ceil(lengthPx / scale / step) + 1);
  return Array.from({ length: count }, (_, i) => first + i * step).map((mm) => ({ mm, px: originPx + mm * scale }));
}

/** Millimetre rulers along the mat's upper and left edge. */
export const Rulers = memo(function Rulers({ view, widthPx, heightPx, flipped }: RulersProps) {
  const across = ticks(view.x, view.scale, widthPx).map(({ mm, px }) => ({ mm, px: flipped ? widthPx - px : px }));
  return (
    <g
      style={{ fontSize: 10, fontFamily: "'Atkinson Hyperlegible Mono Variable', monospace" }}
      pointerEvents="none"
      fill="var(--mat-ink)"
    >
      <rect width={widthPx} height={THICK} fill="var(--ruler)" />
      <rect width={THICK} height={heightPx} fill="var(--ruler)" />
      <g stroke="var(--mat-ink)" strokeWidth={1} strokeOpacity={0.6}>
        {across.map(({ mm, px }) => px > THICK && <line key={mm} x1={px} x2={px} y1={13} y2={THICK} />)}
        {ticks(view.y, view.scale, heightPx).map(
          ({ mm, px }) => px > THICK && <line key={mm} y1={px} y2={px} x1={13} x2={THICK} />,
        )}
      </g>
      {across.map(
        ({ mm, px }) =>
          px > THICK + 10 && (
            <text key={mm} x={px} y={10} textAnchor="middle">
              {mm}
            </text>
          ),
      )}
      {ticks(view.y, view.scale, heightPx).map(
        ({ mm, px }) =>
          px > THICK + 14 && (
            <text key={mm} transform={`translate(10 ${px}) rotate(-90)`} textAnchor="middle">
              {mm}
            </text>
          ),
      )}
      <rect width={THICK} height={THICK} fill="var(--ruler)" />
      <text x={THICK / 2} y={13} textAnchor="middle">
        mm
      </text>
    </g>
  );
});
