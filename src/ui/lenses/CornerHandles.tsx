import type { Point } from "@/core/geometry/point";

/** Corners of a drawn outline that can be dragged; exact numbers stand in the tray. */
export function CornerHandles({ corners }: { corners: Point[] }) {
  return (
    <g>
      {corners.map((corner, nth) => (
        <rect
          key={nth}
          data-corner={nth}
          x={corner.xMm - 1.6}
          y={corner.yMm - 1.6}
          width={3.2}
          height={3.2}
          fill="var(--saffron)"
          stroke="var(--saffron-ink)"
          strokeWidth={0.3}
          style={{ cursor: "move" }}
        />
      ))}
    </g>
  );
}
