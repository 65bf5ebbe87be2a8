import { BATTERY } from "@/core/derived/batteryValue";
import { derive } from "@/core/derived/derive";
import { toHex } from "@/core/hex";
import { scanTableOf } from "@/core/firmware/scanTable";
import type { Design } from "@/core/document/schema";
import { randomFrom } from "@/core/optimisation/random";
import type { SimulationEvent, SimulationRequest } from "@/core/engine/simulate";

const MOODS = ["busy", "ready", "reset", "late", "sleep", "wake"] as const;

/**
 * A short, wild use of a device, with bouncing contacts and a computer with its moods: the same for the same seed.
 * @param moods at times the computer does not ask, resets the bus, or the scan is late
 */
export function randomUse(
  design: Design,
  seed: number,
  moods: readonly (typeof MOODS)[number][] = MOODS,
): SimulationRequest {
  const random = randomFrom(seed);
  const elements = [...derive(design).elements.values()];
  const pressable = elements.filter(({ kind }) => kind === "switch");
  const turnable = elements.filter(({ kind }) => kind === "quadrature");
  const pick = <T>(list: T[]): T => list[Math.floor(random() * list.length)];
  const sensors = scanTableOf(design).sensors.map((id) =>
    id === BATTERY ? { id, controlId: "battery" } : derive(design).elements.get(id)!,
  );
  const isTold = design.reportSet.interfaces.includes("panel");
  const down = new Set<string>();
  const events: SimulationEvent[] = [];
  const count = 6 + Math.floor(random() * 14);
  let atMs = 0;
  for (let nth = 0; nth < count; nth++) {
    atMs += Math.floor(random() * 18);
    if (turnable.length > 0 && random() < 0.2) {
      const { id, controlId } = pick(turnable);
      const steps = Math.floor(random() * 5) - 2;
      const speed = random() < 0.3 ? { turnsPerSecond: 2 + Math.floor(random() * 18) } : {};
      events.push({ atMs, control: controlId, end: id, action: "turn", steps, ...speed });
      continue;
    }
    if (sensors.length > 0 && random() < 0.3) {
      const { id, controlId } = pick(sensors);
      const percent = pick([0, 0, 100, -100, Math.floor(random() * 201) - 100]);
      events.push({ atMs, control: controlId, end: id, action: "set", percent });
      continue;
    }
    if (isTold && random() < 0.2) {
      const bytes = Array.from({ length: 16 }, () => Math.floor(random() * 256) & Math.floor(random() * 256));
      events.push({ atMs, action: "tell", told: toHex(bytes) });
      continue;
    }
    if (moods.length > 0 && random() < 0.12) {
      const action = pick([...moods]);
      events.push(action === "late" ? { atMs, action, ms: 1 + Math.floor(random() * 12) } : { atMs, action });
      continue;
    }
    // Mostly few keys, so that they meet again; now and then more than a report can hold.
    const { id, controlId } =
      random() < 0.6 ? pressable[Math.floor(random() * Math.min(8, pressable.length))] : pick(pressable);
    const action = down.has(id) ? "release" : "press";
    if (action === "press") down.add(id);
    else down.delete(id);
    events.push({ atMs, control: controlId, end: id, action });
  }
  events.push({ atMs: atMs + 5, action: "ready" });
  return { events, untilMs: atMs + 80, bounce: { mostMs: 1 + Math.floor(random() * 7), seed } };
}
