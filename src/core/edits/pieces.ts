import type { Design } from "../document/schema";
import { type KnobLimit, knobLimits } from "../timing/knobLimits";

/** Sizes of a piece of a picture that are tried, the largest first. */
export const PIECES = [64, 32, 16, 8, 4];

/** Knobs that keep the wished speed by themselves, and not while lights or displays are being sent. */
export const blindKnobs = (design: Design, mostPiece = Infinity): KnobLimit[] =>
  knobLimits(design, mostPiece).filter(({ turns, quietTurns }) => {
    const wished = design.brief.wish.turnsPerSecond;
    return turns < wished && quietTurns >= wished;
  });

/** The largest piece with which no knob is blind; undefined where none is small enough. */
export const pieceForKnobs = (design: Design): number | undefined =>
  PIECES.find((bytes) => blindKnobs(design, bytes).length === 0);
