import { beliefAfter } from "@/core/bringup/infer";
import { type Model, modelOf } from "@/core/bringup/model";
import { type Pair, pairsFor } from "@/core/bringup/pairs";
import { StandInDevice } from "@/core/bringup/standIn";
import { outcomeWords } from "@/core/bringup/outcomeWords";
import { effortOf, usualEfforts } from "@/core/bringup/trial";
import { bestLineFor, effortSpent, isNamedRight } from "@/core/practice/faultGame";
import { type BringUpView, bringUpView } from "@/core/bringup/view";
import { freshBringUp } from "@/core/document/bringUpSettings";
import type { Design } from "@/core/document/schema";
import { randomFrom } from "@/core/optimisation/random";

/** The model of the design that was asked about last: worked out once, however many tests are answered. */
let known: { key: string; design: Design; model: Model } | null = null;

function modelFor(design: Design): Model {
  // What was noted and answered says nothing of what may be wrong.
  const { bringUp: _, ...rest } = design;
  const key = JSON.stringify({ ...rest, journal: [] });
  if (known?.key !== key) known = { key, design, model: modelOf(design) };
  return known.model;
}

function bringUp(design: Design): BringUpView {
  const { answers, retests, isHunted, efforts = usualEfforts } = design.bringUp ?? freshBringUp;
  return bringUpView(modelFor(design), design, answers, { retests, isHunted }, efforts);
}

/** Every single fault there may be, by its id and in words. */
const faultList = (design: Design): { id: string; words: string }[] =>
  modelFor(design).suspects.map(({ id, words }) => ({ id, words }));

/** One of them, drawn by how likely each is. */
function drawFault(design: Design, seed: number): string | null {
  const { suspects } = modelFor(design);
  const belief = beliefAfter(modelFor(design), []).of;
  let left = randomFrom(seed)();
  for (let nth = 0; nth < suspects.length; nth++) {
    left -= belief[nth];
    if (left <= 0) return suspects[nth].id;
  }
  return suspects.at(-1)?.id ?? null;
}

/** What the stand-in with these faults answers to a test; null where the design has no such test. */
function standInAnswer(design: Design, faultIds: string[], trial: string): string | null {
  const model = modelFor(design);
  const at = model.trialById.get(trial);
  if (at === undefined) return null;
  const faults = model.suspects.filter(({ id }) => faultIds.includes(id)).map(({ fault }) => fault);
  return new StandInDevice(known!.design, faults).answer(model.trials[at].deed);
}

const PAIRS_MS = 4000;

const faultPairs = (design: Design): { pairs: Pair[]; isAll: boolean } =>
  pairsFor(modelFor(design), design.bringUp?.answers ?? [], () => performance.now(), PAIRS_MS);

/** What somebody did who looked for a hidden fault: tests by their ids, and what was named. */
interface FaultBout {
  faultId: string;
  trialIds: string[];
  namedId: string;
}

/** How that compares with the best line of tests; null where the design has no such fault. */
function scoreBout(design: Design, { faultId, trialIds, namedId }: FaultBout) {
  const model = modelFor(design);
  const efforts = design.bringUp?.efforts ?? usualEfforts;
  const best = bestLineFor(model, faultId, efforts);
  if (!best) return null;
  const words = (ids: string[]) => model.suspects.flatMap((one) => (ids.includes(one.id) ? [one.words] : []));
  return {
    effort: effortSpent(model, trialIds, efforts),
    best: best.effort,
    tests: best.tests,
    isRight: isNamedRight(model, faultId, namedId),
    was: words([faultId])[0],
    group: words(best.group.filter((id) => id !== faultId)),
  };
}
export type TestListed = ReturnType<typeof testList>[number];
export type BoutScore = NonNullable<ReturnType<typeof scoreBout>>;

/** Every test there is, as it is chosen from a list. */
const testList = (design: Design) =>
  modelFor(design).trials.map(({ id, title, deed, controlIds, ...trial }) => ({
    id,
    title,
    does: deed.does,
    controlIds,
    effort: effortOf(trial, design.bringUp?.efforts ?? usualEfforts),
  }));

/** What came of a test, in words. */
function cameWords(design: Design, trialId: string, came: string): { words: string; isGood: boolean } | null {
  const model = modelFor(design);
  const at = model.trialById.get(trialId);
  if (at === undefined) return null;
  return { words: outcomeWords(design, model.trials[at], came), isGood: came === model.rows[at].base };
}

export const bringUpTasks = {
  bringUp,
  faultList,
  drawFault,
  standInAnswer,
  faultPairs,
  scoreBout,
  testList,
  cameWords,
};
