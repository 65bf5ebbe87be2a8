import { simulate, type SimulationEvent } from "@/core/engine/simulate";
import { keyboardOf } from "../../tests/firmware/keyboard64";
import { type Row, median } from "./row";

const SECONDS = 60;
const ROUNDS = 5;
const LIMIT = 500;

/** Fast typing on 108 keys, ten keystrokes a second, with bouncing contacts. */
function typing(): SimulationEvent[] {
  return Array.from({ length: SECONDS * 10 }, (_, nth) => nth).flatMap((nth): SimulationEvent[] => {
    const control = `k${1 + ((nth * 37) % 108)}`;
    return [
      { atMs: nth * 100, control, action: "press" },
      { atMs: nth * 100 + 70, control, action: "release" },
    ];
  });
}

export function simulationRow(): Row {
  const design = keyboardOf(6, 18, 4);
  const request = { events: typing(), untilMs: SECONDS * 1000, bounce: { mostMs: 4, seed: 1 } };
  const rates = Array.from({ length: ROUNDS }, () => {
    const began = performance.now();
    const run = simulate(design, request);
    if (!run.ok || run.value.reports.length < SECONDS * 10) throw new Error("the simulation did not type");
    return (SECONDS * 1000) / (performance.now() - began);
  });
  const rate = median(rates);
  return {
    what: "simulation, 108 keys, 1 kHz scan, electrical model",
    measured: `${rate.toFixed(0)} × real time`,
    limit: `${LIMIT} ×`,
    ratio: rate / LIMIT,
  };
}
