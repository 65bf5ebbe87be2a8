import type { Control } from "../catalogue/kinds";
import { kindOf } from "../catalogue/kinds";

/** Where nothing is closed: a lever of two positions is off, one of three stands in the middle, a five-way rests. */
const OPEN: Record<string, string> = { 1: "off", 2: "middle", 5: "rest" };
const CLOSED: Record<string, string> = { 1: "on" };
/** The push of a five-way is called so. */
const END_NAMES: Record<string, string> = { press: "push" };

/**
 * Positions that a lever or a five-way can stand in, by name, with the contacts that are closed there; null for a control
 * that has none. "off" and "on"; "up", "middle" and "down"; "rest", "push", "up", "down", "left" and "right".
 */
export function positionsOf(control: Control): Map<string, string[]> | null {
  if (control.kind !== "toggle" && control.kind !== "five-way") return null;
  const ends = kindOf(control).elements(control);
  const isLever = control.kind === "toggle";
  const nameOf = (end: string) => {
    if (isLever && ends.length === 2) return end === "press" ? "up" : end;
    return CLOSED[ends.length] ?? END_NAMES[end] ?? end;
  };
  return new Map([[OPEN[ends.length], []], ...ends.map(({ id, end }): [string, string[]] => [nameOf(end), [id]])]);
}
