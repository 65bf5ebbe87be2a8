import type { InterfaceKind } from "../hid/interfaceKinds";
import type { PadAxis } from "../hid/padShape";
import type { Schema } from "../schema";

/** An entry of the firmware's table: what it does (AXIS_DO), on which axis, how fast. */
export interface AxisUseEntry {
  does: number;
  which: number;
  speed: number;
}

export interface AxisUseBase {
  does: string;
}

/** One thing that an axis can do. A new one is one file, its line in the registry, and its case in firmware/src/axes.c. */
export interface AxisUseKind<U extends AxisUseBase> {
  does: U["does"];
  title: string;
  schema: Schema<U>;
  /** What a fresh one is; `end` is "x", "y" or "z" of a stick, "wiper" of others. */
  fresh(end: string): U;
  /** "the pointer to the right, up to 800 counts a second" */
  phrase(use: U): string;
  /** The report it speaks through; null when it tells the host nothing. */
  report: InterfaceKind | null;
  /** The axis of the game pad that it moves, where it does. */
  padAxis?(use: U): PadAxis;
  /** @param padAxes those that the pad declares, in order */
  encode(use: U, padAxes: readonly PadAxis[]): AxisUseEntry;
}
