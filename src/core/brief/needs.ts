import type { Wish } from "../document/wish";

/** What a wish comes to electrically. */
export interface Needs {
  /** Two-ended switches, pushes of knobs and sticks included. */
  switches: number;
  /** Quadrature pairs. */
  turns: number;
  /** Voltages to read. */
  voltages: number;
  lamps: number;
}

const SWITCHES_OF_FIVE_WAY = 5;

/**
 * Counts per control: switch 1, encoder 1 pair (+1 switch with push), concentric encoder 2 pairs, stick 2 or 3
 * voltages (+1), pot 1 voltage, five-way 5 switches (common practice).
 */
export const needsOf = (wish: Wish): Needs => ({
  switches:
    wish.keys +
    wish.toggles +
    wish.ladderPads +
    SWITCHES_OF_FIVE_WAY * wish.fiveWays +
    (wish.encoderPush ? wish.encoders : 0) +
    (wish.concentricPush ? wish.concentrics : 0) +
    (wish.stickPush ? wish.sticks2 + wish.sticks3 : 0),
  turns: wish.encoders + 2 * wish.concentrics,
  voltages: 2 * wish.sticks2 + 3 * wish.sticks3 + wish.pots,
  lamps: wish.lamps,
});
