import { assemblyOf } from "../assembly/assembly";
import { USUAL_LEARNING, paceOf } from "../assembly/pace";
import { doneSteps } from "../assembly/progress";
import type { Step } from "../assembly/step";
import { stepSorts } from "../assembly/stepSorts";
import { type Span, type TimeWish, totalSpan } from "../assembly/time";
import { deviceOf } from "../document/buildSettings";
import { type Spending, spendings } from "../document/journalSettings";
import type { Design } from "../document/schema";
import { type Stage, stageIds } from "../document/stageIds";
import { purchaseView } from "../purchase/purchaseView";

/** One sort of work: what was reckoned for all its steps and for those that were timed, and what these took; minutes. */
export interface SortOfWork {
  title: string;
  steps: number;
  timed: number;
  planned: number;
  plannedOfTimed: number;
  real: number;
}

export interface TimeOutcome {
  planned: Span;
  sorts: SortOfWork[];
  plannedOfTimed: number;
  real: number;
  timed: number;
  done: number;
  steps: number;
  /** What the journal has beside timed steps, by stage; `null` is time without a stage. */
  noted: { stage: Stage | null; minutes: number }[];
}

export interface MoneyOutcome {
  /** What all parts come to for the devices wished for, shipping included where suppliers are known. */
  planned: number;
  devices: number;
  /** Lines of the parts list that no price is known of: the plan is too low by them. */
  unpriced: number;
  real: number;
  by: { spentOn: Spending; amount: number }[];
  /** The sum after each entry. */
  growing: { at: string; sum: number }[];
}

export interface PlanAndReal {
  time: TimeOutcome;
  money: MoneyOutcome;
}

const sum = (values: number[]) => values.reduce((total, value) => total + value, 0);

/** What was reckoned before, by the usual pace, against what it took and cost. */
export const planAndReal = (design: Design): PlanAndReal => ({ time: timeOf(design), money: moneyOf(design) });

function timeOf(design: Design): TimeOutcome {
  const { steps } = assemblyOf(design);
  const wish: TimeWish = { pace: paceOf([]), device: deviceOf(design), learning: USUAL_LEARNING };
  const minutes = design.build?.minutes ?? {};
  const isTimed = ({ id }: Step) => Object.hasOwn(minutes, id);
  const timed = steps.filter(isTimed);
  const realOf = (some: Step[]) => sum(some.filter(isTimed).map(({ id }) => minutes[id]));
  const middle = (some: Step[]) => totalSpan(some, wish).middle;
  const sorts = stepSorts.flatMap(({ id, title }): SortOfWork[] => {
    const own = steps.filter(({ sort }) => sort === id);
    if (own.length === 0) return [];
    const ownTimed = own.filter(isTimed);
    return [
      {
        title,
        steps: own.length,
        timed: ownTimed.length,
        planned: middle(own),
        plannedOfTimed: middle(ownTimed),
        real: realOf(own),
      },
    ];
  });
  return {
    planned: totalSpan(steps, wish),
    sorts,
    plannedOfTimed: middle(timed),
    real: realOf(steps),
    timed: timed.length,
    done: doneSteps(design, steps).size,
    steps: steps.length,
    noted: notedTime(design),
  };
}

function notedTime({ journal }: Design): TimeOutcome["noted"] {
  const entries = journal.filter(({ kind }) => kind === "time");
  return [...stageIds, null].flatMap((stage) => {
    const minutes = sum(entries.filter((entry) => (entry.stage ?? null) === stage).map(({ value = 0 }) => value));
    return minutes === 0 ? [] : [{ stage, minutes }];
  });
}

function moneyOf(design: Design): MoneyOutcome {
  const bought = purchaseView(design);
  const { devices, usual, total, unoffered } = bought;
  const isAsked = (design.purchase?.suppliers ?? []).some(({ offers }) => offers.length > 0);
  const entries = design.journal.filter(({ kind }) => kind === "money");
  let spent = 0;
  const growing = entries.map(({ at, value = 0 }) => ({ at, sum: (spent += value) }));
  return {
    planned: isAsked ? total : usual.total,
    devices,
    unpriced: isAsked ? unoffered.length : usual.unpriced,
    real: spent,
    by: spendings.flatMap((spentOn) => {
      const own = entries.filter((entry) => (entry.spentOn ?? "other") === spentOn);
      return own.length === 0 ? [] : [{ spentOn, amount: sum(own.map(({ value = 0 }) => value)) }];
    }),
    growing,
  };
}
