"use client";

import type { Millisecond, Share } from "@/core/timing/millisecond";

const COLOURS: Record<Share["sort"], string> = {
  read: "#0072B2",
  work: "#56B4E9",
  usb: "#999999",
  display: "#009E73",
  lights: "#D55E00",
};
const NAMES: Record<Share["sort"], string> = {
  read: "reading",
  work: "deciding",
  usb: "USB",
  display: "displays",
  lights: "lights, nothing is read",
};

const WIDTH = 288;
const HEIGHT = 34;

/** The longest scan drawn to scale, with the end of its millisecond marked. */
export function MillisecondStrip({ millisecond: { shares, worstUs, gapUs } }: { millisecond: Millisecond }) {
  const whole = gapUs;
  const scale = (us: number) => (us / whole) * WIDTH;
  const display = Math.max(0, ...shares.filter(({ sort }) => sort === "display").map(({ us }) => us));
  const shown = shares.filter(({ sort, us }) => sort !== "display" || us === display);
  const firstDisplay = shown.findIndex(({ sort }) => sort === "display");
  const drawn = shown.filter(({ sort }, nth) => sort !== "display" || nth === firstDisplay);
  // Lights have a scan of their own, after the one that is drawn.
  const starts = drawn.map(({ sort }, nth) =>
    sort === "lights" ? Math.max(1000, worstUs) : drawn.slice(0, nth).reduce((sum, { us }) => sum + us, 0),
  );
  const sorts = [...new Set(drawn.map(({ sort }) => sort))];
  return (
    <figure style={{ margin: 0 }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label={`The longest scan takes ${worstUs.toFixed(0)} µs`}
      >
        <rect x={0} y={4} width={WIDTH} height={18} fill="var(--paper)" stroke="var(--edge)" />
        {drawn.map(({ id, what, sort, us }, nth) => (
          <rect key={id} x={scale(starts[nth])} y={4} width={Math.max(0.6, scale(us))} height={18} fill={COLOURS[sort]}>
            <title>{`${what}: ${us.toFixed(1)} µs`}</title>
          </rect>
        ))}
        <line x1={scale(1000)} x2={scale(1000)} y1={0} y2={26} stroke="var(--stop)" strokeWidth={1.5} />
        <text x={Math.min(WIDTH - 24, scale(1000))} y={33} fontSize={9} fill="var(--ink)" textAnchor="middle">
          1 ms
        </text>
      </svg>
      <figcaption style={{ display: "flex", flexWrap: "wrap", gap: "2px 12px", fontSize: 13, color: "var(--faint)" }}>
        {sorts.map((sort) => (
          <span key={sort}>
            <span
              style={{ display: "inline-block", width: 10, height: 10, background: COLOURS[sort], marginRight: 4 }}
            />
            {NAMES[sort]}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}
