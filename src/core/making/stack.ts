import type { Control } from "../catalogue/kinds";
import type { Part } from "../catalogue/parts/part";
import { chipOutline } from "../circuits/chip";
import { derive } from "../derived/derive";
import type { PlacedController } from "../derived/placedController";
import { isSocketed } from "../document/buildSettings";
import type { Board, Design } from "../document/schema";
import { closePairs } from "../geometry/closePairs";
import type { Outline } from "../geometry/outline";
import { type Point, place, point, rotate } from "../geometry/point";
import { CROWD_MOST } from "../layout/keepOuts";
import { boardOfAdded } from "../wires/wires";
import { edgeOf, hasPlate, isMadeBoard } from "./boardMade";

/** What takes room at a height: its outline on the mat, from where to where above the plate's front (negative: below), in mm. */
export interface StackBody {
  id: string;
  title: string;
  sort: "plate" | "board" | "part" | "cap" | "module" | "chip" | "wiring";
  /** Null for what lies everywhere: plate, board, wiring. */
  outline: Outline | null;
  bottomMm: number;
  topMm: number;
}

/** Where a module's plug comes out of the case. */
export interface PlugOpening {
  controllerId: string;
  /** The connector's middle at the module's edge, on the mat. */
  at: Point;
  /** Where the plug goes as it leaves, of length 1. */
  outward: Point;
  /** The clear length that plug and hand need beyond the module's edge. */
  plugMm: number;
  /** Its middle above the plate's front; negative below. */
  middleMm: number;
  widthMm: number;
  heightMm: number;
}

export interface Stack {
  boardId: string;
  bodies: StackBody[];
  /** Free height from the plate's back down to the floor of a case. */
  innerMm: number;
  /** What is highest above the plate's front. */
  aboveMm: number;
  /** Standoffs between plate and floor, and the screws into them through plate and floor; as they are sold. */
  standoffMm: number;
  screwMm: number;
  plugs: PlugOpening[];
  /** Parts whose legs do not come out at the same depth as those of most. */
  misfits: { title: string; seatMm: number }[];
  /** How deep the made board's top lies beneath the plate's front; null without one. */
  boardDepthMm: number | null;
  /** Pairs that want the same room. */
  collisions: [string, string][];
}

/** Legs of parts for a board reach through 1.6 mm of it and a little more: for the usual switch 3.3 mm below the board's top (common practice). */
const LEGS_MM = 3.3;
export const BOARD_MM = 1.6;
/** Joints behind a made board, and wires and diodes behind what is wired by hand (from memory). */
const JOINTS_MM = 2;
const WIRING_MM = 5;
/** A ready module with the parts on it; what pin rows lift it by, and sockets (from memory: rows 2.5 mm, sockets 8.5 mm and rows). */
const MODULE_MM = 4.5;
const ROWS_MM = 2.5;
const SOCKETS_MM = 11;
/** A package in its socket (from memory). */
const CHIP_MM = 8;
/** A cap covers its switch from 2 mm below the top of the stem to 5 mm above it (from memory). */
const CAP_MM = { down: 6, up: 5 };
/** Air between the lowest thing and the floor. */
const AIR_MM = 1;
/** A plug's shell is wider and higher than its socket (from memory: an overmould of about 12 × 7 mm). */
const SHELL_MM = { width: 12, height: 7 };

/** Lengths in which standoffs and machine screws are sold (common practice). */
export const STANDOFFS_MM = [3, 4, 5, 6, 8, 10, 12, 15, 18, 20, 25, 30, 35, 40, 45, 50, 60];
export const SCREWS_MM = [4, 5, 6, 8, 10, 12, 14, 16, 18, 20, 25, 30];
/** So much of a screw holds in the standoff: twice the diameter of the usual 2 mm one (common practice: 1.5 to 2 diameters in metal). */
const BITE_MM = 4;

/** The shortest that is sold and long enough. */
export const sold = (lengths: number[], mm: number) => lengths.find((one) => one >= mm - 1e-9) ?? Math.ceil(mm);

const controlsOn = ({ controls }: Design, boardId: string): Control[] =>
  controls.filter(({ placement }) => placement.boardId === boardId);

/** Parts whose legs go through a made board; what lies flat on it or hangs on screws alone has none. */
const hasLegs = ({ kind, belowMm }: Part) =>
  kind !== "fixing" && kind !== "light" && kind !== "ladder-pad" && belowMm > LEGS_MM;

const tenth = (mm: number) => Math.round(mm * 10) / 10;

/** The depth at which most legs come out, and the parts that want another one. */
function seats(design: Design, board: Board): { depthMm: number; misfits: Stack["misfits"] } {
  const legged = controlsOn(design, board.id)
    .map((control) => derive(design).partOf(control))
    .filter(hasLegs)
    .map((part) => ({ title: part.title, seatMm: tenth(part.belowMm - LEGS_MM) }));
  const counts = new Map<number, number>();
  for (const { seatMm } of legged) counts.set(seatMm, (counts.get(seatMm) ?? 0) + 1);
  const depthMm = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]?.[0] ?? 0;
  const misfits = [
    ...new Map(legged.filter(({ seatMm }) => seatMm !== depthMm).map((one) => [one.title, one])).values(),
  ];
  return { depthMm, misfits };
}

function partBodies(design: Design, board: Board): StackBody[] {
  const derived = derive(design);
  return design.controls.flatMap((control, nth): StackBody[] => {
    if (control.placement.boardId !== board.id || control.kind === "fixing") return [];
    const part = derived.partOf(control);
    const own: StackBody = {
      id: control.id,
      title: control.label,
      sort: "part",
      outline: derived.bodies[nth],
      bottomMm: -part.belowMm,
      topMm: part.aboveMm,
    };
    if (control.kind !== "key" || part.cap !== null) return [own];
    const [outline] = derived.capPieces.filter(({ owner }) => owner === nth);
    const cap: StackBody = {
      id: `cap ${control.id}`,
      title: `Cap of ${control.label}`,
      sort: "cap",
      outline: outline?.outline ?? derived.bodies[nth],
      bottomMm: part.aboveMm - CAP_MM.down,
      topMm: part.aboveMm + CAP_MM.up,
    };
    return [own, cap];
  });
}

const everywhere = (
  id: string,
  title: string,
  sort: StackBody["sort"],
  bottomMm: number,
  topMm: number,
): StackBody => ({
  id,
  title,
  sort,
  outline: null,
  bottomMm,
  topMm,
});

/** Plate, made board, joints or wiring; and the depth at which modules and chips under it begin. */
function flatBodies(design: Design, board: Board, depthMm: number): { bodies: StackBody[]; backMm: number } {
  const { thicknessMm, material } = board.plate;
  const plate = hasPlate(design, board) ? [everywhere("plate", `Plate, ${material}`, "plate", -thicknessMm, 0)] : [];
  if (isMadeBoard(design, board.id)) {
    const top = hasPlate(design, board) ? -Math.max(depthMm, thicknessMm) : 0;
    const made = everywhere("board", "Made board", "board", top - BOARD_MM, top);
    const joints = everywhere("joints", "Joints and legs", "wiring", top - BOARD_MM - JOINTS_MM, top - BOARD_MM);
    return { bodies: [...plate, made, joints], backMm: top - BOARD_MM - JOINTS_MM };
  }
  const parts = controlsOn(design, board.id).map((control) => derive(design).partOf(control).belowMm);
  const deepest = -Math.max(plate.length > 0 ? thicknessMm : 0, ...parts);
  const wiring =
    parts.length > 0 ? [everywhere("wiring", "Wires and diodes", "wiring", deepest - WIRING_MM, deepest)] : [];
  return { bodies: [...plate, ...wiring], backMm: parts.length > 0 ? deepest - WIRING_MM : deepest };
}

/** A module lies on pin rows or in sockets where copper joins it, else flat. */
function moduleBody(
  design: Design,
  { controller, outline, profile }: PlacedController,
  nth: number,
  backMm: number,
): StackBody {
  const made = isMadeBoard(design, controller.placement.boardId);
  const lift = isSocketed(design, controller.id) ? SOCKETS_MM : made ? ROWS_MM : 0;
  const [bottomMm, topMm] =
    controller.side === "under" ? [backMm - lift - MODULE_MM, backMm - lift] : [lift, lift + MODULE_MM];
  return { id: controller.id, title: `A${nth + 1}, ${profile!.title}`, sort: "module", outline, bottomMm, topMm };
}

/** As seen from the parts side. */
const OUTWARD = { top: point(0, -1), right: point(1, 0), bottom: point(0, 1), left: point(-1, 0) };

const modulesOn = (design: Design, board: Board) =>
  derive(design)
    .controllers.map((placed, nth) => ({ placed, nth }))
    .filter(({ placed }) => placed.profile !== null && placed.controller.placement.boardId === board.id);

/** The plug of a module leaves at its edge, at half the height of its parts. */
function plugsOf(design: Design, board: Board, bodies: StackBody[]): PlugOpening[] {
  return modulesOn(design, board).flatMap(({ placed: { controller, profile } }) => {
    const { connector } = profile!;
    const body = bodies.find(({ id, sort }) => id === controller.id && sort === "module");
    if (!connector || connector.plugMm === 0 || !body) return [];
    const seen = (p: Point) => point(controller.side === "under" ? -p.xMm : p.xMm, p.yMm);
    return [
      {
        controllerId: controller.id,
        at: place(seen(connector), controller.placement),
        outward: rotate(seen(OUTWARD[connector.side]), controller.placement.rotationDeg),
        plugMm: connector.plugMm,
        middleMm: (body.bottomMm + body.topMm) / 2,
        widthMm: Math.max(connector.widthMm, SHELL_MM.width),
        heightMm: SHELL_MM.height,
      },
    ];
  });
}

/** What is meant to touch: a part in its plate, a cap on its switch, joints at legs. */
const isSeated = (a: StackBody, b: StackBody) => a.id === `cap ${b.id}` || b.id === `cap ${a.id}`;

/** Pairs of bodies that overlap on the mat and in height; of one in a crowd not every pair is told. */
function collisionsOf(all: StackBody[]): [string, string][] {
  const bodies = all.filter(({ outline }) => outline !== null);
  const outlines = bodies.map(({ outline }) => outline!);
  return closePairs(outlines, 0, CROWD_MOST).flatMap(({ a, b, clearanceMm }): [string, string][] => {
    const [first, second] = [bodies[a], bodies[b]];
    const isApart = first.bottomMm >= second.topMm - 1e-9 || second.bottomMm >= first.topMm - 1e-9;
    return clearanceMm >= -1e-9 || isApart || isSeated(first, second) ? [] : [[first.title, second.title]];
  });
}

function chipBodies(design: Design, board: Board, backMm: number): StackBody[] {
  const { chips } = derive(design);
  if (isMadeBoard(design, board.id)) return [];
  return chips
    .filter(({ id }) => boardOfAdded(id, design) === board.id)
    .map((chip) => ({
      id: chip.id,
      title: chip.label,
      sort: "chip",
      outline: chipOutline(chip),
      bottomMm: backMm - CHIP_MM,
      topMm: backMm,
    }));
}

/**
 * Everything on both sides of a board's plate, with the heights that follow: how deep a case must be, how long standoffs and screws are, where the plug
 * comes out, what collides. Null for loose parts.
 */
export function stackOf(design: Design, board: Board): Stack | null {
  if (edgeOf(design, board) === null) return null;
  const { depthMm, misfits } = seats(design, board);
  const { bodies: flat, backMm } = flatBodies(design, board, depthMm);
  const bodies = [
    ...flat,
    ...partBodies(design, board),
    ...modulesOn(design, board).map(({ placed, nth }) => moduleBody(design, placed, nth, backMm)),
    ...chipBodies(design, board, backMm),
  ];
  const made = isMadeBoard(design, board.id);
  const plateMm = hasPlate(design, board) ? board.plate.thicknessMm : 0;
  const lowest = Math.min(-plateMm, ...bodies.map(({ bottomMm }) => bottomMm));
  const innerMm = -lowest - plateMm + AIR_MM;
  return {
    boardId: board.id,
    bodies,
    innerMm,
    aboveMm: Math.max(0, ...bodies.map(({ topMm }) => topMm)),
    standoffMm: sold(STANDOFFS_MM, innerMm),
    screwMm: sold(SCREWS_MM, plateMm + BITE_MM),
    plugs: plugsOf(design, board, bodies),
    misfits: made ? misfits : [],
    boardDepthMm: made && hasPlate(design, board) ? Math.max(depthMm, board.plate.thicknessMm) : null,
    collisions: collisionsOf(bodies),
  };
}
