import type { SimulationEvent, SimulationRequest } from "../engine/simulate";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";

const PRESS_MS = 40;
const STEP_MS = 120;
/** Contacts and knobs of the tour. */
const MOST_ENDS = 32;

/** A short tour of a design for the exported archive: every contact pressed and every knob turned once, in order. */
export function demonstrationOf(design: Design): SimulationRequest {
  const { elements } = derive(design);
  const ends = [...elements.values()]
    .filter(({ kind }) => kind === "switch" || kind === "quadrature")
    .slice(0, MOST_ENDS);
  const events = ends.flatMap(({ id, controlId, kind }, nth): SimulationEvent[] => {
    const atMs = 10 + nth * STEP_MS;
    const move = { control: controlId, end: id };
    if (kind === "quadrature") return [{ ...move, atMs, action: "turn", steps: 1 }];
    return [
      { ...move, atMs, action: "press" },
      { ...move, atMs: atMs + PRESS_MS, action: "release" },
    ];
  });
  return { events, untilMs: 10 + ends.length * STEP_MS + STEP_MS };
}
