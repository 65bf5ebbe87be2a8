import { derive } from "@/core/design/derive";
import type { Design } from "@/core/design/schema";
import { randomFrom } from "@/core/engine/random";
import type { ControlEvent, SimulationRequest } from "@/core/engine/simulate";

/** A short, wild use of a device, with bouncing contacts: the same for the same seed. */
export function randomUse(design: Design, seed: number): SimulationRequest {
  const random = randomFrom(seed);
  const { inputs } = derive(design);
  const pressable = inputs.filter((input) => input.motion === "press").map((input) => input.controlId);
  const turnable = inputs.filter((input) => input.motion === "clockwise").map((input) => input.controlId);
  const pick = (ids: string[]) => ids[Math.floor(random() * ids.length)];
  const down = new Set<string>();
  const events: ControlEvent[] = [];
  const count = 6 + Math.floor(random() * 14);
  let atMs = 0;
  for (let nth = 0; nth < count; nth++) {
    atMs += Math.floor(random() * 18);
    if (turnable.length > 0 && random() < 0.2) {
      events.push({ atMs, control: pick(turnable), action: "turn", steps: Math.floor(random() * 5) - 2 });
      continue;
    }
    // Mostly few keys, so that they meet again; now and then more than a report can hold.
    const control = random() < 0.6 ? pressable[Math.floor(random() * Math.min(8, pressable.length))] : pick(pressable);
    const action = down.has(control) ? "release" : "press";
    if (action === "press") down.add(control);
    else down.delete(control);
    events.push({ atMs, control, action });
  }
  return { events, untilMs: atMs + 60, bounce: { mostMs: 1 + Math.floor(random() * 7), seed } };
}
