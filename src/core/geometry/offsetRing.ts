import type { Outline } from "./outline";
import { type Point, distanceMm, point } from "./point";
import { type Ring, clockwise, offsetConvex } from "./ring";

/** An outline grown by `byMm` all round (shrunk when negative); null when nothing is left. */
export function grown({ core, radiusMm }: Outline, byMm: number): Outline | null {
  if (radiusMm + byMm >= 0) return { core, radiusMm: radiusMm + byMm };
  const left = offsetConvex(core, radiusMm + byMm);
  return left.length > 2 ? { core: left, radiusMm: 0 } : null;
}

/** An outline of the same size whose corners are at least this round, as far as it is wide enough. */
export function rounded(outline: Outline, radiusMm: number): Outline {
  if (outline.radiusMm >= radiusMm || outline.core.length < 3) return outline;
  const core = offsetConvex(outline.core, outline.radiusMm - radiusMm);
  return core.length > 2 ? { core, radiusMm } : outline;
}

const unit = (a: Point, b: Point): Point => {
  const length = distanceMm(a, b) || 1;
  return point((b.xMm - a.xMm) / length, (b.yMm - a.yMm) / length);
};

/** A corner is moved along its bisector at most so far, so that a needle does not shoot out. */
const LONGEST_MITRE = 4;

/** A ring with every edge moved outwards by `byMm`, corners mitred. For offsets that are small against its features. */
export function offsetRing(ring: Ring, byMm: number): Ring {
  if (byMm === 0) return ring;
  const corners = clockwise(ring).filter((p, i, all) => distanceMm(p, all[(i + 1) % all.length]) > 1e-6);
  return corners.map((corner, i) => {
    const u = unit(corners[(i + corners.length - 1) % corners.length], corner);
    const v = unit(corner, corners[(i + 1) % corners.length]);
    const [n, m] = [point(u.yMm, -u.xMm), point(v.yMm, -v.xMm)];
    const scale = Math.min(LONGEST_MITRE, 1 / Math.max(0.05, 1 + n.xMm * m.xMm + n.yMm * m.yMm));
    return point(corner.xMm + (n.xMm + m.xMm) * scale * byMm, corner.yMm + (n.yMm + m.yMm) * scale * byMm);
  });
}
