import type { AddedPart } from "../catalogue/prices";
import { type Outline, placeOutline, roundedRectangle } from "../geometry/outline";
import { type Point, point } from "../geometry/point";

/** A part that a circuit adds between contacts and controller, with its terminals in the order of their numbers. */
export interface Chip {
  id: string;
  /** The short name on the drawing: U1, U2 … within its circuit. */
  label: string;
  title: string;
  part: AddedPart;
  at: Point;
  terminals: Terminal[];
}

export interface Terminal {
  name: string;
  /** Null where the terminal stays open. */
  netId: string | null;
}

/** Terminal pitch and distance of the rows of a dual-in-line package (JEDEC MS-001; wide ones MS-011). */
const PITCH_MM = 2.54;
const ROWS_MM = { narrow: 7.62, wide: 15.24 };
const MOST_NARROW = 20;

export const chipRowsMm = (terminals: number): number => (terminals > MOST_NARROW ? ROWS_MM.wide : ROWS_MM.narrow);

/** Length of the package along its terminals. */
export const chipLengthMm = (terminals: number): number => (terminals / 2) * PITCH_MM;

/**
 * Where a terminal lies, by its index from 0: down the left row, up the right one, seen from the parts side
 * (JEDEC MS-001: terminal 1 at the notch, counted anticlockwise).
 */
export function terminalPlace(chip: Pick<Chip, "at" | "terminals">, nth: number): Point {
  const count = chip.terminals.length;
  const half = count / 2;
  const isLeft = nth < half;
  const along = isLeft ? nth : count - 1 - nth;
  const x = (isLeft ? -1 : 1) * (chipRowsMm(count) / 2);
  return point(chip.at.xMm + x, chip.at.yMm + (along - (half - 1) / 2) * PITCH_MM);
}

/** Room that the package takes, with its terminals. */
export const chipOutline = ({ at, terminals }: Pick<Chip, "at" | "terminals">): Outline =>
  placeOutline(roundedRectangle(chipRowsMm(terminals.length) + PITCH_MM, chipLengthMm(terminals.length), 0), {
    ...at,
    rotationDeg: 0,
  });
