import { controllerCatalogue } from "@/core/catalogue/controllers";
import { controllerProfileSchema } from "@/core/catalogue/controllers/controllerProfile";
import { briefSchema, noWish, wishSchema } from "@/core/document/wish";
import { countedAfterMs } from "@/core/document/debounce";
import { type Result, good } from "@/core/document/problem";
import { readDesign } from "@/core/document/readDesign";
import { between, listOf, whole, z } from "@/core/schema";
import { planningTasks } from "../planningTasks";
import { jsonReply, parsed, problemReply, readOptions } from "./reply";
import type { Task } from "./tasks";

const questionSchema = z.strictObject({
  /** Counts and choices; what is left out is none, or the usual. */
  wish: z.partial(wishSchema),
  matrixShape: z._default(briefSchema.shape.matrixShape, null),
  prices: z._default(briefSchema.shape.prices, {}),
  /** Controller classes of one's own, beside those of the catalogue. */
  profiles: z._default(listOf(controllerProfileSchema, 40), []),
  debounceMs: z._default(between(0, 50), 5),
  settleUs: z._default(whole(0, 250), 5),
  /** With the options that another one beats. */
  all: z._default(z.boolean(), false),
});
type Question = z.infer<typeof questionSchema>;

/** A whole design asks with its own brief, classes and timing; else the body is the question. */
function questionOf(json: unknown): Result<Question> {
  if (typeof json !== "object" || json === null || !("format" in json)) return readOptions(questionSchema, json);
  const read = readDesign(json);
  if (!read.ok) return read;
  const { brief, profiles, timing } = read.value;
  const { wish, matrixShape, prices } = brief;
  const { settleUs } = timing;
  const debounceMs = countedAfterMs(timing.debounce);
  return good({ wish, matrixShape, prices, profiles, debounceMs, settleUs, all: false });
}

/** The brief's options, the best first: `{wish, …}` or a design → `{options}`. */
export const planBriefTask: Task = async (body) => {
  const json = parsed(body);
  if (!json.ok) return problemReply(400, ...json.problems);
  const question = questionOf(json.value);
  if (!question.ok) return problemReply(422, ...question.problems);
  const { wish, profiles, matrixShape, prices, debounceMs, settleUs, all } = question.value;
  const setting = { brief: { matrixShape, prices }, debounceMs, settleUs };
  const answers = planningTasks.planBrief({ ...noWish, ...wish }, [...controllerCatalogue, ...profiles], setting);
  const shown = answers.filter((answer) => all || answer.beatenBy === null);
  return jsonReply({ options: shown.map(({ profile, ...answer }) => ({ ...answer, profileTitle: profile.title })) });
};
