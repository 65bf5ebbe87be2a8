import type { Control } from "../catalogue/kinds";
import { derive } from "../derived/derive";
import { type CaseSettings, usualCase } from "../document/caseSettings";
import type { Board, Design } from "../document/schema";
import { depthMm } from "../geometry/depth";
import { grown, offsetRing } from "../geometry/offsetRing";
import type { Outline } from "../geometry/outline";
import type { Point } from "../geometry/point";
import type { Ring } from "../geometry/ring";
import { mainTurn } from "../layout/mainTurn";
import { BOARD_MM, SCREWS_MM, STANDOFFS_MM, type Stack, type StackBody, sold, stackOf } from "../making/stack";
import { edgeOf, hasPlate, isMadeBoard } from "../making/boardMade";
import { type Opening, openingsOf } from "./openings";
import { type ScrewSize, TOWER_WALL_MM, screwThrough, towerHole } from "./screwSizes";

/** The case that was chosen for a board; null where there is none. */
export const chosenCase = (design: Design, board: Board): CasePlan | null =>
  design.case ? casePlan(design, board) : null;

/** Towers of the case stand where standoffs are drawn. */
export const hasTowers = (design: Design, board: Board): boolean =>
  chosenCase(design, board)?.towers.some(({ outerMm }) => outerMm > 0) ?? false;

/** What carries the plate at a standoff's place. Heights from the plate's front; negative below. */
export interface Tower {
  controlId: string;
  label: string;
  at: Point;
  size: ScrewSize;
  outerMm: number;
  holeMm: number;
  /** How deep the hole is, from the plate's back; through the floor for bought standoffs. */
  deepMm: number;
  /** The screw from the plate's front, as it is sold; null where no sold one fits. */
  screwMm: number | null;
}

/** Room that the case leaves to a body, open to the front so that everything can be lowered in. */
export interface KeepOut {
  title: string;
  outline: Outline;
  fromMm: number;
}

/** Everything a case is made from: the plate's edge, heights, and what must stay clear. */
export interface CasePlan {
  board: Board;
  settings: CaseSettings;
  stack: Stack;
  edge: Ring;
  /** Turn of the frame that most parts share, clockwise. */
  turnDeg: number;
  /** Heights from the plate's front: walls' top, plate's back, floor's top and back. */
  rimMm: number;
  seatMm: number;
  floorMm: number;
  backMm: number;
  /** How far the case reaches under the plate's edge to carry it; 0 where it does not. */
  ledgeMm: number;
  towers: Tower[];
  openings: Opening[];
  keepOuts: KeepOut[];
}

/** Air around everything that stays in the case (common practice for prints: 0.3 to 0.5 mm). */
export const GAP_MM = 0.5;
const LEDGE_MM = 2;
/** Prints come in layers of 0.2 mm. */
const LAYER_MM = 0.2;
/** Plastic left beneath a hole. */
export const UNDER_HOLE_MM = 0.8;

export const caseSettingsOf = (design: Design): CaseSettings => design.case ?? usualCase;

/** Thickness of what the case carries, in mm: the plate, or the made board that has none; null where there is neither. */
export function carrierMm(design: Design, board: Board): number | null {
  if (edgeOf(design, board) === null) return null;
  if (hasPlate(design, board)) return board.plate.thicknessMm;
  return isMadeBoard(design, board.id) ? BOARD_MM : null;
}

/** So many sheets that standoffs of their height are sold, where standoffs stand between them; else just enough. */
function wholeSheets(sheetMm: number, leastMm: number, isScrewed: boolean): number {
  const least = Math.ceil(leastMm / sheetMm - 1e-9);
  const sold = Array.from({ length: 8 }, (_, more) => (least + more) * sheetMm).find((mm) => STANDOFFS_MM.includes(mm));
  return isScrewed ? (sold ?? least * sheetMm) : least * sheetMm;
}

/** Free height between plate and floor: a sold length of standoffs, or whole layers of the print, or whole sheets. */
function innerOf(settings: CaseSettings, stack: Stack, seatMm: number, isScrewed: boolean): number {
  const lowest = Math.min(seatMm, ...stack.bodies.map(({ bottomMm }) => bottomMm));
  const least = seatMm - lowest + 1;
  if (settings.way === "layers") return wholeSheets(settings.sheetMm, least, isScrewed);
  if (settings.towers === "bought") return stack.standoffMm;
  return Math.ceil(least / LAYER_MM - 1e-9) * LAYER_MM;
}

const carriesPlate = (control: Control): boolean => control.kind === "fixing" && control.carries;

function towersOf(design: Design, board: Board, settings: CaseSettings, heights: Heights): Tower[] {
  const way = settings.way === "layers" ? "bought" : settings.towers;
  return design.controls.flatMap((control): Tower[] => {
    if (!carriesPlate(control) || control.placement.boardId !== board.id) return [];
    const opening = derive(design).partOf(control).opening;
    const size = screwThrough(opening?.widthMm ?? 0);
    const { holeMm, biteMm } = towerHole(way, size);
    const plateMm = -heights.seatMm;
    const room = heights.seatMm - heights.backMm - UNDER_HOLE_MM;
    const screw = sold(SCREWS_MM, plateMm + biteMm);
    const deepMm = way === "bought" ? Infinity : Math.min(room, Math.max(biteMm, screw - plateMm) + 1);
    return [
      {
        controlId: control.id,
        label: control.label,
        at: { xMm: control.placement.xMm, yMm: control.placement.yMm },
        size,
        outerMm: way === "bought" ? 0 : holeMm + 2 * TOWER_WALL_MM,
        holeMm,
        deepMm,
        screwMm: way === "bought" || screw - plateMm <= deepMm ? screw : null,
      },
    ];
  });
}

interface Heights {
  seatMm: number;
  floorMm: number;
  backMm: number;
}

/** Bodies that lie somewhere; what lies everywhere is the plate, its board, and wires that give way. */
function keepOutsOf(bodies: StackBody[]): KeepOut[] {
  return bodies.flatMap(({ title, outline, bottomMm }) =>
    outline ? [{ title, outline: grown(outline, GAP_MM)!, fromMm: bottomMm - GAP_MM }] : [],
  );
}

/**
 * The case of a board, in numbers: what its solids and layers are made from.
 * @returns null for loose parts, and where parts sit right on a module, with nothing to carry
 */
export const casePlan = (design: Design, board: Board): CasePlan | null =>
  derive(design).once(`case of ${board.id}`, () => planOf(design, board));

function planOf(design: Design, board: Board): CasePlan | null {
  const carried = carrierMm(design, board);
  const stack = stackOf(design, board);
  const edge = edgeOf(design, board);
  if (carried === null || stack === null || edge === null) return null;
  const settings = caseSettingsOf(design);
  const seatMm = -carried;
  const isScrewed = design.controls.some((control) => control.placement.boardId === board.id && carriesPlate(control));
  const floorMm = seatMm - innerOf(settings, stack, seatMm, isScrewed);
  const thick = settings.way === "layers" ? settings.sheetMm : settings.floorMm;
  const heights = { seatMm, floorMm, backMm: floorMm - thick };
  const turnDeg = mainTurn(design, board.id);
  return {
    board,
    settings,
    stack,
    edge,
    turnDeg,
    rimMm: settings.rimMm,
    ...heights,
    ledgeMm: board.edgeCarried ? LEDGE_MM : 0,
    towers: towersOf(design, board, settings, heights),
    openings: openingsOf(design, board, stack, heights),
    keepOuts: keepOutsOf(stack.bodies),
  };
}

/** The outside of the wall, corners mitred: what seams, feet and sizes go by. */
export const outsideRing = ({ edge, settings }: CasePlan): Ring => offsetRing(edge, settings.clearMm + settings.wallMm);

/** Distance from a tower's middle to the nearest thing that reaches below the plate, in mm; Infinity without any. */
export const towerRoomMm = ({ keepOuts, seatMm }: CasePlan, { at }: Tower): number =>
  keepOuts.reduce(
    (least, { outline, fromMm }) => (fromMm < seatMm ? Math.min(least, -depthMm(outline, at)) : least),
    Infinity,
  );

/** How far the case is open from the plug to the outside of its wall, in mm, along the plug's way. */
export function wayOutMm({ edge, settings }: CasePlan, { at, outward }: Opening): number {
  const crossings = edge.flatMap((a, nth) => {
    const b = edge[(nth + 1) % edge.length];
    const [ex, ey] = [b.xMm - a.xMm, b.yMm - a.yMm];
    const across = outward.xMm * ey - outward.yMm * ex;
    if (Math.abs(across) < 1e-9) return [];
    const along = ((a.xMm - at.xMm) * ey - (a.yMm - at.yMm) * ex) / across;
    const on = ((a.xMm - at.xMm) * outward.yMm - (a.yMm - at.yMm) * outward.xMm) / across;
    return on >= 0 && on <= 1 && along > -1e-6 ? [along] : [];
  });
  return Math.max(0, ...crossings) + settings.clearMm + settings.wallMm;
}
