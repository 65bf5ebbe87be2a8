import type { Design } from "../document/schema";
import type { Point } from "../geometry/point";
import { type Answer, beliefAfter, consistentWith, groupsOf, informationBits, splitBy, weightsAmong } from "./infer";
import type { Model } from "./model";
import { outcomeWords } from "./outcomeWords";
import { planOf } from "./plan";
import { type Repair, repairOf } from "./repair";
import { nextTrial } from "./strategy";
import type { Suspect } from "./suspects";
import { type Efforts, type Trial, effortOf } from "./trial";

/** A test as it is shown, with what may come of it. */
export interface ToldTest {
  id: string;
  title: string;
  deed: Trial["deed"];
  effort: number;
  /** Expected information; 0 while nothing is suspected. */
  bits: number;
  controlIds: string[];
  at: Point[];
  outcomes: ToldOutcome[];
}

export interface ToldOutcome {
  came: string;
  words: string;
  /** As a sound device does. */
  isGood: boolean;
  /** How likely it is, by what is believed now. */
  share: number;
}

/** Suspects that no test tells apart, with their share and what speaks for and against them. */
export interface ToldSuspect {
  ids: string[];
  words: string[];
  share: number;
  at: Point[];
  controlIds: string[];
  /** Tests that came as they foretell and not as a sound device, and tests that came otherwise than they foretell. */
  speaksFor: string[];
  speaksAgainst: string[];
}

/** A test that was made. */
export interface ToldAnswer {
  trial: string;
  title: string;
  words: string;
  isGood: boolean;
}

/** All that bring-up shows. */
export interface BringUpView {
  answers: ToldAnswer[];
  /** Something came that should not. */
  isFaulty: boolean;
  suspects: ToldSuspect[];
  /** How many single faults there may be, and how many are still possible. */
  known: number;
  possible: number;
  /** No single fault explains everything. */
  isUnexplained: boolean;
  /** One suspect is left, or a group that no test tells apart. */
  isNamed: boolean;
  next: ToldTest | null;
  repair: Repair | null;
  plan: { done: number; of: number; open: { id: string; title: string }[] };
  spent: number;
}

const SHOWN_SUSPECTS = 8;
const SHOWN_OUTCOMES = 9;

/** Works out what the answers say, and what to do next. */
export function bringUpView(
  model: Model,
  design: Design,
  answers: Answer[],
  { retests = [], isHunted = false }: { retests?: string[]; isHunted?: boolean | undefined },
  efforts: Efforts,
): BringUpView {
  const told = answers.flatMap((answer) => toldAnswer(model, design, answer) ?? []);
  const isFaulty = isHunted || told.some(({ isGood }) => !isGood);
  const belief = beliefAfter(model, answers);
  const possible = consistentWith(model, answers);
  const plan = planOf(model, answers);
  const groups = isFaulty ? groupsOf(model, possible) : [];
  const isNamed = isFaulty && groups.length === 1;
  const spent = answers.reduce((sum, { trial }) => sum + costOf(model, trial, efforts), 0);
  const nextTrial = trialToMake(model, {
    isFaulty,
    isNamed,
    possible,
    belief: belief.of,
    retests,
    efforts,
    open: plan.open,
  });
  return {
    answers: told,
    isFaulty,
    suspects: isFaulty ? toldSuspects(model, belief.of, answers, possible) : [],
    known: model.suspects.length,
    possible: possible.length,
    isUnexplained: isFaulty && possible.length === 0,
    isNamed,
    next:
      nextTrial === null ? null : toldTest(model, design, nextTrial, isFaulty ? possible : null, belief.of, efforts),
    repair: isNamed ? repairOf(model, byLikelihood(model, groups[0], belief.of)) : null,
    plan: { ...plan, open: plan.open.map((nth) => ({ id: model.trials[nth].id, title: model.trials[nth].title })) },
    spent,
  };
}

const costOf = (model: Model, id: string, efforts: Efforts): number => {
  const at = model.trialById.get(id);
  return at === undefined ? 0 : effortOf(model.trials[at], efforts);
};

const byLikelihood = ({ suspects }: Model, group: number[], belief: Float64Array): Suspect[] =>
  [...group].sort((one, other) => belief[other] - belief[one]).map((one) => suspects[one]);

function toldAnswer(model: Model, design: Design, { trial, came }: Answer): ToldAnswer | null {
  const at = model.trialById.get(trial);
  if (at === undefined) return null;
  const { title } = model.trials[at];
  return { trial, title, words: outcomeWords(design, model.trials[at], came), isGood: came === model.rows[at].base };
}

interface Standing {
  isFaulty: boolean;
  isNamed: boolean;
  possible: number[];
  belief: Float64Array;
  retests: string[];
  efforts: Efforts;
  open: number[];
}

/** After a repair what it touched; with a fault what tells most for its effort; else the plan. */
function trialToMake(
  model: Model,
  { isFaulty, isNamed, possible, belief, retests, efforts, open }: Standing,
): number | null {
  if (isFaulty) return isNamed ? null : nextTrial(model, possible, belief, efforts);
  const again = retests.flatMap((id) => model.trialById.get(id) ?? []);
  return again[0] ?? open[0] ?? null;
}

function bitsAmong(model: Model, trial: number, suspects: number[], belief: Float64Array): number {
  const { among, total } = weightsAmong(suspects, belief);
  return informationBits(model, trial, among, total);
}

function toldTest(
  model: Model,
  design: Design,
  nth: number,
  possible: number[] | null,
  belief: Float64Array,
  efforts: Efforts,
): ToldTest {
  const trial = model.trials[nth];
  const among = possible ?? model.suspects.map((_, one) => one);
  const { base } = model.rows[nth];
  const outcomes = [...splitBy(model, nth, among)]
    .map(([came, part]) => ({ came, share: part.reduce((sum, one) => sum + belief[one], 0) }))
    .filter(({ came }) => came !== base)
    .sort((one, other) => other.share - one.share)
    .slice(0, SHOWN_OUTCOMES - 1);
  const good = { came: base, share: Math.max(0, 1 - outcomes.reduce((sum, { share }) => sum + share, 0)) };
  return {
    id: trial.id,
    title: trial.title,
    deed: trial.deed,
    effort: effortOf(trial, efforts),
    bits: possible ? bitsAmong(model, nth, possible, belief) : 0,
    controlIds: trial.controlIds,
    at: trial.at,
    outcomes: [good, ...outcomes].map(({ came, share }) => ({
      came,
      share,
      words: outcomeWords(design, trial, came),
      isGood: came === base,
    })),
  };
}

/** The likeliest groups; when nothing explains everything, the likeliest all the same. */
function toldSuspects(model: Model, belief: Float64Array, answers: Answer[], possible: number[]): ToldSuspect[] {
  const all = model.suspects.map((_, nth) => nth);
  const share = (group: number[]) => group.reduce((sum, one) => sum + belief[one], 0);
  const shown =
    possible.length > 0 ? possible : [...all].sort((one, other) => belief[other] - belief[one]).slice(0, 40);
  return groupsOf(model, shown)
    .sort((one, other) => share(other) - share(one))
    .slice(0, SHOWN_SUSPECTS)
    .map((group) => ({
      ids: group.map((one) => model.suspects[one].id),
      words: group.map((one) => model.suspects[one].words),
      share: share(group),
      at: group.flatMap((one) => model.suspects[one].at),
      controlIds: [...new Set(group.flatMap((one) => model.suspects[one].controlIds))],
      ...speaking(model, group[0], answers),
    }));
}

function speaking(model: Model, suspect: number, answers: Answer[]) {
  const speaksFor: string[] = [];
  const speaksAgainst: string[] = [];
  for (const { trial, came } of answers) {
    const at = model.trialById.get(trial);
    if (at === undefined) continue;
    const { base, others } = model.rows[at];
    const foretold = others.get(suspect) ?? base;
    if (foretold !== came) speaksAgainst.push(model.trials[at].title);
    else if (foretold !== base) speaksFor.push(model.trials[at].title);
  }
  return { speaksFor, speaksAgainst };
}
