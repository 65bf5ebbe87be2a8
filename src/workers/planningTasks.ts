import { bestOfLadder, yieldOfLadder } from "@/core/analog/analogView";
import { lossByRate } from "@/core/timing/interruptQueue";
import type { RankedOption } from "@/core/brief/plan";
import { planBrief } from "@/core/brief/plan";
import { partsApart } from "@/core/brief/apart/partsApart";
import { type Room, type SmallestChange, roomFor, smallestChange } from "@/core/brief/breaks";
import type { OptionSetting } from "@/core/brief/option";
import { type MatrixAnswer, type MatrixPart } from "@/core/matrix/planMatrix";
import { planPartByWire } from "@/core/matrix/searchMatrix";
import { moduleTurns } from "@/core/edits/turnModule";
import type { Design } from "@/core/document/schema";
import { placeFunctions, placementCost, placementProblem } from "@/core/reach/placement";
import { bringUpTasks } from "./bringUpTasks";
import { toldComparison } from "@/core/compare/toldComparison";
import { planAndReal } from "@/core/journal/planAndReal";
import { planPins } from "@/core/pins/planPins";
import type { Wish } from "@/core/document/wish";
import type { ControllerProfile } from "@/core/catalogue/controllers/controllerProfile";

/** An option with what breaks it, or with what would make it fit. */
export interface BriefAnswer extends RankedOption {
  roomLeft: Room | null;
  change: SmallestChange | null;
}

/** Options worth a look come with what breaks them; the others wait until they are asked for. */
function planWithBreaks(wish: Wish, profiles: ControllerProfile[], setting: OptionSetting): BriefAnswer[] {
  return planBrief(wish, profiles, setting).map((option) => {
    const isShown = option.beatenBy === null;
    const { plan, profile } = option;
    return {
      ...option,
      roomLeft: isShown && option.fits ? roomFor(wish, plan, profile, setting) : null,
      change: isShown && !option.fits ? smallestChange(wish, plan, profile, setting) : null,
    };
  });
}

/** Tells better and better plans of one matrix, until the rounds are over or the worker is ended. */
function searchMatrix(part: MatrixPart, seed: number, rounds: number, tell: (answer: MatrixAnswer) => void): void {
  for (const answer of planPartByWire(part, seed, rounds)) tell(answer);
}

/** A placement of the base layer's functions, against what is there. */
export interface ProposedPlacement {
  moves: { fromId: string; toId: string }[];
  /** Functions that could be placed anew. */
  free: number;
  nowMm: number;
  costMm: number;
  boundMm: number;
}

const PLACEMENT_SEED = 1;
const PLACEMENT_ROUNDS = 80;

function proposePlacement(design: Design, kept: string[]): ProposedPlacement {
  const problem = placementProblem(design, new Set(kept));
  const asItIs = problem.inputs.map((_, nth) => nth);
  const { keyOf, cost, bound } = placeFunctions(problem, PLACEMENT_SEED, PLACEMENT_ROUNDS);
  return {
    moves: problem.inputs.flatMap((fromId, nth) =>
      keyOf[nth] === nth ? [] : [{ fromId, toId: problem.inputs[keyOf[nth]] }],
    ),
    free: problem.inputs.length,
    nowMm: placementCost(problem, asItIs),
    costMm: cost,
    boundMm: bound,
  };
}

/** Long computations, each a pure function of values that can be copied. */
export const planningTasks = {
  planBrief: planWithBreaks,
  searchMatrix,
  planPins,
  moduleTurns,
  yieldOfLadder,
  bestOfLadder,
  lossByRate,
  proposePlacement,
  partsApart,
  compare: toldComparison,
  planAndReal,
  ...bringUpTasks,
};
export type PlanningTasks = typeof planningTasks;
