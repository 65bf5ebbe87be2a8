import type { ControlInput } from "../catalogue/kinds/controlKind";
import { derive } from "../derived/derive";
import { type DebounceSchool, debounceOf } from "../document/debounce";
import type { Design } from "../document/schema";

export interface ScannedSwitches {
  /** Element ids of the switches, by switch number. */
  switches: string[];
  /** By switch number: how its contact settles, and whether it tells its change. */
  settling: { ms: number; school: DebounceSchool; flips: boolean }[];
}

/** Inputs of the switches that some circuit reads, by switch number. */
export function pressInputs(design: Design): ControlInput[] {
  const { builtCircuits, inputs } = derive(design);
  const scanned = new Set(
    builtCircuits.flatMap(({ groups }) => groups.flatMap(({ cells }) => cells.map((cell) => cell.elementId))),
  );
  return inputs.filter(({ motion, elementId }) => motion === "press" && scanned.has(elementId));
}

/** Switches that the firmware sees. */
export function scannedSwitches(design: Design): ScannedSwitches {
  const presses = pressInputs(design);
  return {
    switches: presses.map(({ elementId }) => elementId),
    settling: presses.map((input) => ({ ...debounceOf(design, input.controlId), flips: input.flips === true })),
  };
}
