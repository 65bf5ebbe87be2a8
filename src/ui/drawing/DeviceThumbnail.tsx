import type { Design } from "@/core/document/schema";
import { derive } from "@/core/derived/derive";
import { boardRings } from "@/core/layout/boardOutline";
import { boundsOf } from "@/core/geometry/outline";
import { outlinePath, ringPath } from "./outlinePath";

/** A small picture of the device for the shelf. */
export function DeviceThumbnail({ design }: { design: Design }) {
  const { caps } = derive(design);
  const boards = boardRings(design).flatMap((ring) => (ring ? [ring] : []));
  const box = boundsOf([...boards.map((core) => ({ core, radiusMm: 0 })), ...caps]);
  if (!box)
    return (
      <svg viewBox="0 0 100 60" width="100%" height="100%" aria-hidden="true">
        <text style={{ fontSize: 7 }} x={50} y={33} textAnchor="middle" fill="var(--mat-ink)">
          nothing placed yet
        </text>
      </svg>
    );
  const pad = 8;
  const viewBox = `${box.minXMm - pad} ${box.minYMm - pad} ${box.maxXMm - box.minXMm + 2 * pad} ${box.maxYMm - box.minYMm + 2 * pad}`;
  return (
    <svg viewBox={viewBox} width="100%" height="100%" aria-hidden="true">
      {boards.map((board, i) => (
        <path key={i} d={ringPath(board)} fill="var(--board)" stroke="var(--board-edge)" strokeWidth={0.6} />
      ))}
      {caps.map((cap, i) => (
        <path key={i} d={outlinePath(cap)} fill="var(--cap-top)" stroke="var(--cap-edge)" strokeWidth={0.5} />
      ))}
    </svg>
  );
}
