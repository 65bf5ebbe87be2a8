import { toldAssembly } from "@/core/assembly/toldAssembly";
import { cautionWords } from "@/core/assembly/cautions";
import { USUAL_LEARNING, paceOf } from "@/core/assembly/pace";
import { stepSorts } from "@/core/assembly/stepSorts";
import {
  type Span,
  type TimeWish,
  hoursBySort,
  sittingsOf,
  spanWords,
  stepSpan,
  totalSpan,
} from "@/core/assembly/time";
import { good } from "@/core/document/problem";
import { between, listOf, whole, z } from "@/core/schema";
import { jsonReply, readOptions, withDesign } from "./reply";
import type { Task } from "./tasks";

const loggedSchema = z.strictObject({
  sort: z.enum(stepSorts.map(({ id }) => id)),
  units: between(0.1, 10_000),
  minutes: between(0.05, 100_000),
  device: z._default(whole(1, 10_000), 1),
});

const optionsSchema = z.strictObject({
  /** Which device of its kind it is. */
  device: z._default(whole(1, 10_000), 1),
  learning: z._default(between(0.1, 1), USUAL_LEARNING),
  sittingMinutes: z._default(between(10, 1440), 180),
  logged: z._default(listOf(loggedSchema, 5000), []),
});

const rounded = ({ low, middle, high }: Span) => ({
  low: Math.round(low * 10) / 10,
  middle: Math.round(middle * 10) / 10,
  high: Math.round(high * 10) / 10,
});

/** Every step of making a device in its order, why one comes before another, and how long it takes. */
export const planStepsTask: Task = (body) =>
  withDesign(body, (design, rest) => {
    const options = readOptions(optionsSchema, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const { device, learning, sittingMinutes, logged } = options.value;
    const wish: TimeWish = { pace: paceOf(logged, learning), device, learning };
    const { steps, reasons, loops, order } = toldAssembly(design);
    const total = totalSpan(steps, wish);
    return good(
      jsonReply({
        steps: steps.map((step) => ({
          ...step,
          cautions: step.cautions.map((sort) => cautionWords[sort]),
          minutes: rounded(stepSpan(step, wish)),
        })),
        reasons,
        loops,
        order,
        minutes: rounded(total),
        words: spanWords(total),
        sittings: sittingsOf(steps, sittingMinutes, wish).map((sitting) => sitting.map(({ id }) => id)),
        bySort: hoursBySort(steps, wish).map(({ minutes, ...one }) => ({
          ...one,
          minutes: Math.round(minutes * 10) / 10,
        })),
      }),
    );
  });
