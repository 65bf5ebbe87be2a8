import { controllerCatalogue } from "@/core/catalogue/controllers";
import { controllerProfileSchema } from "@/core/catalogue/controllers/controllerProfile";
import { briefSchema, noWish, wishSchema } from "@/core/brief/wish";
import { between, listOf, whole, z } from "@/core/schema";
import { planningTasks } from "@/workers/planningTasks";
import { readOptions } from "../../options";
import { readJson, unprocessable } from "../../request";

const bodySchema = z.strictObject({
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

/** The brief's options, the best first: `{wish, …}` → `{options}`. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request);
  if (body instanceof Response) return body;
  const options = readOptions(bodySchema, body.json);
  if (!options.ok) return unprocessable(options.problems);
  const { wish, profiles, matrixShape, prices, debounceMs, settleUs, all } = options.value;
  const setting = { brief: { matrixShape, prices }, debounceMs, settleUs };
  const answers = planningTasks.planBrief({ ...noWish, ...wish }, [...controllerCatalogue, ...profiles], setting);
  const shown = answers.filter((answer) => all || answer.beatenBy === null);
  const told = shown.map(({ profile, ...answer }) => ({ ...answer, profileTitle: profile.title }));
  return Response.json({ options: told });
}
