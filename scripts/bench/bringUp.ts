import { performance } from "node:perf_hooks";
import { shelfDesigns } from "../../demo";
import type { Answer } from "@/core/bringup/infer";
import { type Model, modelOf } from "@/core/bringup/model";
import { usualEfforts } from "@/core/bringup/trial";
import { bringUpView } from "@/core/bringup/view";
import type { Row } from "./row";

const LIMIT_MS = 100;
/** So many faults of each device, evenly over all there are, are looked for to the end. */
const FAULTS = 40;

/** What a device with one fault answers to a test. */
const answerOf = ({ rows }: Model, nth: number, fault: number): string => rows[nth].others.get(fault) ?? rows[nth].base;

/** Looks for one fault from the first test to its name, and tells how long each answer took, in ms. */
function answersMs(id: string, fault: number): number[] {
  const design = shelfDesigns.find((one) => one.id === id)!;
  const model = modelOf(design);
  const answers: Answer[] = [];
  const took: number[] = [];
  for (;;) {
    const began = performance.now();
    const { next } = bringUpView(model, design, answers, { isHunted: true }, usualEfforts);
    took.push(performance.now() - began);
    if (!next) return took;
    answers.push({ trial: next.id, came: answerOf(model, model.trialById.get(next.id)!, fault) });
  }
}

/** The answer to a test of bring-up, the slowest of many: of Loom 64, and of all devices. */
export function bringUpRows(): Row[] {
  return [["loom-64"], shelfDesigns.map(({ id }) => id)].map((ids) => {
    const took = ids.flatMap((id) => {
      const { length } = modelOf(shelfDesigns.find((one) => one.id === id)!).suspects;
      const step = Math.max(1, Math.floor(length / FAULTS));
      return Array.from({ length: Math.ceil(length / step) }, (_, nth) => answersMs(id, nth * step)).flat();
    });
    const worst = Math.max(...took);
    return {
      what: `answer to a bring-up test, ${ids.length === 1 ? "Loom 64" : "every device"}`,
      measured: `${worst.toFixed(0)} ms of ${took.length}`,
      limit: `${LIMIT_MS} ms`,
      ratio: LIMIT_MS / worst,
    };
  });
}
