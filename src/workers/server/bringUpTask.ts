import { modelOf } from "@/core/bringup/model";
import { type EffortSort, effortSorts, usualEfforts } from "@/core/bringup/trial";
import { bringUpView } from "@/core/bringup/view";
import { type Problem, good } from "@/core/document/problem";
import { between, listOf, text, z } from "@/core/schema";
import { jsonReply, readOptions, withDesign } from "./reply";
import type { Task } from "./tasks";

const effort = z.optional(between(0.1, 100));

const optionsSchema = z.strictObject({
  /** A fault is looked for although no test showed one yet. */
  isHunted: z.optional(z.boolean()),
  /** Tests so far, by their ids, and what came, in the form that an answer of this call tells it in. */
  answers: z._default(listOf(z.strictObject({ test: text(1, 2000), came: text(0, 20_000) }), 2000), []),
  efforts: z._default(
    z.strictObject({ press: effort, sweep: effort, bend: effort, meter: effort } satisfies Record<EffortSort, unknown>),
    {},
  ),
});

/** Tests so far: what they point at, and which test tells most next. */
export const bringUpTask: Task = (body) =>
  withDesign(body, (design, rest) => {
    const options = readOptions(optionsSchema, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const { answers: given, efforts: chosen, isHunted } = options.value;
    const efforts = Object.fromEntries(effortSorts.map((sort) => [sort, chosen[sort] ?? usualEfforts[sort]]));
    const model = modelOf(design);
    const problems = given.flatMap(({ test }, nth): Problem[] =>
      model.trialById.has(test)
        ? []
        : [{ path: `options.answers.${nth}.test`, message: `The design has no test "${test.slice(0, 80)}".` }],
    );
    if (problems.length > 0) return { ok: false, problems };
    const answers = given.map(({ test, came }) => ({ trial: test, came }));
    const view = bringUpView(model, design, answers, { isHunted }, efforts as Record<EffortSort, number>);
    return good(jsonReply({ ...view, tests: model.trials.map(({ id, title }) => ({ id, title })) }));
  });
