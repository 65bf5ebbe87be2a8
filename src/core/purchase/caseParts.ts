import { sheetNamed } from "../cases/caseMaterials";
import { type CasePlan, type Tower, chosenCase, outsideRing } from "../cases/casePlan";
import { FRAME_SCREW, frameScrews, sheetsOf } from "../cases/layerPlan";
import { towerHole } from "../cases/screwSizes";
import type { Control } from "../catalogue/kinds";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { smallestRectangle } from "../geometry/smallestRectangle";
import { SCREWS_MM, sold, stackOf } from "../making/stack";
import { partNames } from "../wires/partNames";
import type { One } from "./partsLine";

const boardAt = (design: Design, boardId: string) => design.boards.find(({ id }) => id === boardId) ?? null;

/** A fixing's place in the case that was chosen; null where there is no case, or it carries nothing. */
function towerAt(design: Design, { id, placement }: Control): { plan: CasePlan; tower: Tower } | null {
  const board = boardAt(design, placement.boardId);
  const plan = board && chosenCase(design, board);
  const tower = plan?.towers.find(({ controlId }) => controlId === id);
  return plan && tower ? { plan, tower } : null;
}

/** How long a bought standoff is: as the case has it, else as the stack says; null for loose parts. */
function standoffMm(design: Design, control: Control): number | null {
  const placed = towerAt(design, control);
  if (placed) return placed.plan.seatMm - placed.plan.floorMm;
  const board = boardAt(design, control.placement.boardId);
  return (board && stackOf(design, board)?.standoffMm) ?? null;
}

/** What is bought for a fixing: a standoff, an insert for a printed tower, or nothing where the tower takes the screw itself. */
export function fixingPart(design: Design, control: Control, of: string): One[] {
  const placed = towerAt(design, control);
  if (placed && placed.tower.outerMm > 0) {
    const { size } = placed.tower;
    const isInsert = placed.plan.settings.towers === "inserts";
    return isInsert ? [{ name: `Brass insert ${size.name}, ${size.insertMm} mm, set by heat`, price: null, of }] : [];
  }
  const { title, price } = derive(design).partOf(control);
  const long = standoffMm(design, control);
  return [{ name: long === null ? title : `${title}, ${long} mm long`, price, of }];
}

/** Through the plate, and through the floor where a bought standoff stands on it. */
function screwsAt(design: Design, control: Control, of: string): One[] {
  const screw = (across: string, longMm: number | null, end: string): One => ({
    name: `Screw${across}${longMm === null ? "" : `, ${longMm} mm long`}`,
    price: null,
    of: `${of} (${end})`,
  });
  const placed = towerAt(design, control);
  if (placed) {
    const { tower, plan } = placed;
    const [across, bite] = [` ${tower.size.name}`, towerHole("bought", tower.size).biteMm];
    const floor = screw(across, sold(SCREWS_MM, plan.floorMm - plan.backMm + bite), "floor");
    return [screw(across, tower.screwMm, "plate"), ...(tower.outerMm > 0 ? [] : [floor])];
  }
  const board = boardAt(design, control.placement.boardId);
  const stack = board && stackOf(design, board);
  if (!stack) return [];
  const across = control.kind === "fixing" ? /\d+$/.exec(control.partId)?.[0] : undefined;
  return ["plate", "floor"].map((end) => screw(across ? ` M${across}` : "", stack.screwMm, end));
}

/** The screws of everything that carries a plate. */
export function screwsOf(design: Design): One[] {
  const names = partNames(design).controls;
  return design.controls
    .filter((control) => control.kind === "fixing" && control.carries)
    .flatMap((control) => screwsAt(design, control, names.get(control.id)!));
}

/** Sheets of the same size, and screws with nuts through all of them. */
function layersOf(plan: CasePlan): One[] {
  const { board, settings } = plan;
  const { widthMm, heightMm } = smallestRectangle(outsideRing(plan));
  const [long, short] = [Math.max(widthMm, heightMm), Math.min(widthMm, heightMm)].map(Math.ceil);
  const priceEach = (widthMm / 1000) * (heightMm / 1000) * settings.sheetMm * sheetNamed(settings.sheet).pricePerM2Mm;
  const sheets = sheetsOf(plan);
  const through = sheets.length * settings.sheetMm;
  return [
    ...sheets.map(({ name }) => ({
      name: `Layer of ${settings.sheet} ${settings.sheetMm} mm, ${long} × ${short} mm`,
      price: Math.round(priceEach * 100) / 100,
      of: `${board.name} (${name.toLowerCase()})`,
    })),
    ...frameScrews(plan).map(() => ({
      name: `Screw and nut ${FRAME_SCREW.name}, through ${through} mm of layers`,
      price: null,
      of: `${board.name} (frame)`,
    })),
  ];
}

/** What each board's case is made of: a printed tray is one piece of work, layers are counted. */
export const casesOf = (design: Design): One[] =>
  design.boards.flatMap((board): One[] => {
    const plan = chosenCase(design, board);
    if (!plan) return [];
    return plan.settings.way === "layers"
      ? layersOf(plan)
      : [{ name: `Printed case for ${board.name}, ${plan.settings.plastic}`, price: null, of: board.name }];
  });
