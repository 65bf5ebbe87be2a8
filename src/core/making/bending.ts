import type { Design } from "../document/schema";
import { derive } from "../derived/derive";
import { boardRings } from "../layout/boardOutline";
import { boundsOf } from "../geometry/outline";
import { type Point, distanceMm } from "../geometry/point";
import type { Ring } from "../geometry/ring";
import type { Plate, PlateMaterial } from "../document/makingSettings";

/** Young's modulus in MPa (from memory: typical of printed PLA, cast acrylic, rolled metals, glass-epoxy board). */
export const STIFFNESS_MPA: Record<PlateMaterial, number> = {
  printed: 2600,
  acrylic: 3000,
  aluminium: 69_000,
  steel: 200_000,
  board: 22_000,
};

/**
 * Deflection in mm of a simply supported beam under a load in its middle: F L³ / (48 E I), I = b t³ / 12
 * (e.g. Timoshenko, Strength of Materials).
 */
export const beamDeflectionMm = (
  loadN: number,
  spanMm: number,
  widthMm: number,
  thicknessMm: number,
  stiffnessMpa: number,
): number => (loadN * spanMm ** 3) / (48 * stiffnessMpa * ((widthMm * thicknessMm ** 3) / 12));

/**
 * Coefficients of w = α P b² / D for a simply supported rectangular plate under a load in its middle, by a / b
 * (Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells, table 23; Poisson's ratio 0.3 in D).
 */
const ALPHA: [ratio: number, alpha: number][] = [
  [1, 0.0116],
  [1.1, 0.01265],
  [1.2, 0.01353],
  [1.4, 0.01484],
  [1.6, 0.0157],
  [1.8, 0.0162],
  [2, 0.01651],
  [3, 0.0169],
];
const ALPHA_LONG = 0.01695;
const POISSON = 0.3;

/** α for a ratio of long to short side, between the table's lines straight. */
export function plateCoefficient(ratio: number): number {
  const above = ALPHA.findIndex(([r]) => r >= ratio);
  if (above === -1) return ALPHA_LONG;
  if (above === 0) return ALPHA[0][1];
  const [[r0, a0], [r1, a1]] = [ALPHA[above - 1], ALPHA[above]];
  return a0 + ((ratio - r0) / (r1 - r0)) * (a1 - a0);
}

/** Deflection in mm in the middle of a simply supported rectangular plate without openings, under a load there. */
export function plateDeflectionMm(
  loadN: number,
  aMm: number,
  bMm: number,
  thicknessMm: number,
  stiffnessMpa: number,
): number {
  const [long, short] = [Math.max(aMm, bMm), Math.min(aMm, bMm)];
  const rigidity = (stiffnessMpa * thicknessMm ** 3) / (12 * (1 - POISSON ** 2));
  return (plateCoefficient(long / short) * loadN * short ** 2) / rigidity;
}

/** What 14 mm openings on a 19.05 mm pitch leave of a section: the rest bends for all. */
const solidShare = (openMm: number, pitchMm: number) => Math.max(0.1, 1 - openMm / pitchMm);

export interface Span {
  controlId: string;
  /** Side of the free square around the press: twice the way to the nearest support. */
  spanMm: number;
  deflectionMm: number;
}

/** Distance from a point to the line of a ring. Plain numbers: it is asked for every key at every edit. */
function toRingMm({ xMm, yMm }: Point, ring: Ring): number {
  let nearest = Infinity;
  let a = ring[ring.length - 1];
  for (const b of ring) {
    const dx = b.xMm - a.xMm;
    const dy = b.yMm - a.yMm;
    const along = ((xMm - a.xMm) * dx + (yMm - a.yMm) * dy) / (dx * dx + dy * dy || 1);
    const t = along < 0 ? 0 : along > 1 ? 1 : along;
    const ex = a.xMm + t * dx - xMm;
    const ey = a.yMm + t * dy - yMm;
    nearest = Math.min(nearest, ex * ex + ey * ey);
    a = b;
  }
  return Math.sqrt(nearest);
}

/**
 * Estimates how far the plate bends under a firm press on each key of a board. Around the press the plate is taken as
 * a square, simply supported at the distance of the nearest support on all sides, weakened by the openings. A plate
 * without any support is not estimated.
 */
export function spansOf(design: Design, boardIndex: number): Span[] {
  const board = design.boards[boardIndex];
  const ring = boardRings(design)[boardIndex];
  const { openings } = derive(design);
  if (!ring) return [];
  const onBoard = design.controls.filter((control) => control.placement.boardId === board.id);
  const standoffs = onBoard.filter((control) => control.kind === "fixing" && control.carries);
  if (!board.edgeCarried && standoffs.length === 0) return [];
  const openMm = Math.max(
    0,
    ...openings.filter(({ owner }) => design.controls[owner].kind === "key").map(({ outline }) => widthOf(outline)),
  );
  const { material, thicknessMm } = board.plate;
  const { reinforceMm, reinforceClearMm, pressN } = design.making;
  // A printed plate bends together with the layer printed beneath it, through that layer's wider openings.
  const layered = material === "printed" && reinforceMm > 0;
  const open = Math.min(openMm, 14) + (layered ? 2 * reinforceClearMm : 0);
  const plate: Plate = { material, thicknessMm: layered ? thicknessMm + reinforceMm : thicknessMm };
  const share = solidShare(open, design.pitch.xMm);
  return onBoard
    .filter((control) => control.kind === "key")
    .map((key) => {
      const toEdge = board.edgeCarried ? toRingMm(key.placement, ring) : Infinity;
      const reach = Math.min(toEdge, ...standoffs.map((standoff) => distanceMm(standoff.placement, key.placement)));
      const spanMm = 2 * reach;
      return { controlId: key.id, spanMm, deflectionMm: pressedMm(pressN, spanMm, plate) / share };
    });
}

const widthOf = (outline: Parameters<typeof boundsOf>[0][number]) => {
  const box = boundsOf([outline])!;
  return box.maxXMm - box.minXMm;
};

const pressedMm = (loadN: number, spanMm: number, { thicknessMm, material }: Plate) =>
  plateDeflectionMm(loadN, spanMm, spanMm, thicknessMm, STIFFNESS_MPA[material]);

/** Thickness that brings a deflection down to a limit: it falls with the third power. */
export const thicknessFor = (thicknessMm: number, deflectionMm: number, limitMm: number): number =>
  Math.ceil(thicknessMm * Math.cbrt(deflectionMm / limitMm) * 10) / 10;
