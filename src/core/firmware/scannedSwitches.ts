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

/** Inputs of the switches that some circuit reads, by switch number: those of the first part of a device come first. */
export function pressInputs(design: Design): ControlInput[] {
  const { builtCircuits, builtParts, inputs } = derive(design);
  const partOf = new Map(
    builtCircuits.flatMap(({ groups }, nth) =>
      groups.flatMap(({ cells }) => cells.map((cell) => [cell.elementId, builtParts[nth]] as const)),
    ),
  );
  const presses = inputs.filter(({ motion, elementId }) => motion === "press" && partOf.has(elementId));
  return presses.sort((a, b) => partOf.get(a.elementId)! - partOf.get(b.elementId)!);
}

/** Switches that the firmware sees. */
export function scannedSwitches(design: Design): ScannedSwitches {
  const presses = pressInputs(design);
  return {
    switches: presses.map(({ elementId }) => elementId),
    settling: presses.map((input) => ({ ...debounceOf(design, input.controlId), flips: input.flips === true })),
  };
}
