import type { ControlEvent, SimulationRequest } from "../engine/simulate";
import { derive } from "../design/derive";
import type { Design } from "../design/schema";

const PRESS_MS = 40;
const STEP_MS = 120;
const MOST_CONTROLS = 24;

/** A short tour of a design for the exported archive: each control used once, in order. */
export function demonstrationOf(design: Design): SimulationRequest {
  const { inputs } = derive(design);
  const ids = [...new Set(inputs.map((input) => input.controlId))].slice(0, MOST_CONTROLS);
  const events = ids.flatMap((control, nth): ControlEvent[] => {
    const atMs = 10 + nth * STEP_MS;
    const motions = inputs.filter((input) => input.controlId === control).map((input) => input.motion);
    const press: ControlEvent[] = [
      { atMs, control, action: "press" },
      { atMs: atMs + PRESS_MS, control, action: "release" },
    ];
    const turn: ControlEvent[] = [{ atMs: atMs + 2 * PRESS_MS, control, action: "turn", steps: 1 }];
    return [...(motions.includes("press") ? press : []), ...(motions.includes("clockwise") ? turn : [])];
  });
  return { events, untilMs: 10 + ids.length * STEP_MS + STEP_MS };
}
