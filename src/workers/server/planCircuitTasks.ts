import { between, text, whole, z } from "@/core/schema";
import {
  bankOf,
  bestLadder,
  equalOhms,
  ladderYield,
  mostKeys,
  neededMargin,
  valuesAround,
} from "@/core/analog/ladderDesign";
import { ladderMargin } from "@/core/circuits/ladderVoltage";
import type { LightChain } from "@/core/circuits/lightChain";
import { derive } from "@/core/derived/derive";
import { bad, good } from "@/core/document/problem";
import { endurance, measuring } from "@/core/power/battery";
import { LIGHT_LEAST_V } from "@/core/power/lightCurrent";
import { brokenLimits } from "@/core/power/limits";
import { feedingPoints, highestBrightness, mostLitAtOnce } from "@/core/power/remedies";
import { supplyView } from "@/core/power/supplyView";
import { jsonReply, parsed, problemReply, readOptions, withDesign } from "./reply";
import type { Task } from "./tasks";

/** A ladder by itself; no design is needed. */
const ladderSchema = z.strictObject({
  keys: whole(2, 32),
  resistorOhm: z._default(between(10, 1e6), 1000),
  pullDownOhm: z._default(between(100, 1e8), 1e6),
  tolerance: z._default(between(0, 0.2), 0.01),
  ripple: z._default(between(0, 0.2), 0),
  bits: z._default(whole(6, 24), 10),
  series: z._default(z.enum(["E6", "E12", "E24"]), "E12"),
  samples: z._default(whole(1, 100_000), 10_000),
  seed: z._default(whole(0, 2 ** 31), 1),
});

/** Margins of a ladder of equal resistors, of the best of a series, and of ladders built by chance. */
export const planLadderTask: Task = async (body) => {
  const json = parsed(body);
  if (!json.ok) return problemReply(400, ...json.problems);
  const question = readOptions(ladderSchema, json.value);
  if (!question.ok) return problemReply(422, ...question.problems);
  const { keys, resistorOhm, pullDownOhm, tolerance, ripple, bits, series, samples, seed } = question.value;
  const equal = bankOf(equalOhms(keys, resistorOhm), pullDownOhm);
  const needed = neededMargin(bits);
  const spec = { keys, pullDownOhm, tolerance, ripple };
  return jsonReply({
    neededMargin: needed,
    equalMargin: ladderMargin(equal, tolerance, ripple),
    mostKeys: mostKeys(spec, resistorOhm, needed),
    best: bestLadder(spec, valuesAround(series, resistorOhm), seed),
    yield: ladderYield(equal, tolerance, ripple, needed, seed, samples),
  });
};

const lightOptions = z.strictObject({
  circuitId: z.optional(text(1, 40)),
  leastV: z._default(between(1, 5), LIGHT_LEAST_V),
});

/** What a light chain takes, which limits break, and what would hold. */
export const planLightsTask: Task = (body) =>
  withDesign(body, (design, rest) => {
    const options = readOptions(lightOptions, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const { circuitId, leastV } = options.value;
    if (!derive(design).profile)
      return bad({ path: "controllers", message: "the design has no controller; choose one first" });
    const chains = design.circuits.filter((circuit): circuit is LightChain => circuit.kind === "light-chain");
    const chain = circuitId === undefined ? chains[0] : chains.find(({ id }) => id === circuitId);
    if (!chain) return bad({ path: "options.circuitId", message: "there is no such light chain in the design" });
    return good(
      jsonReply({
        load: supplyView(design)!.chains.find((one) => one.circuitId === chain.id) ?? null,
        broken: brokenLimits(design),
        highestBrightness: highestBrightness(design),
        mostLit: mostLitAtOnce(design),
        feeding: feedingPoints(design, { ...chain, feedAt: [] }, leastV),
      }),
    );
  });

/** How long a battery lasts, and how it is measured. */
export const planBatteryTask: Task = (body) =>
  withDesign(body, (design) => {
    const lasts = endurance(design);
    if (!lasts)
      return bad({ path: "supply.source", message: "the design has no controller, or no battery for its source" });
    return good(jsonReply({ endurance: lasts, measuring: measuring(design) }));
  });
