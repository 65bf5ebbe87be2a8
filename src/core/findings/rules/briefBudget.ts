import { budgetOf, budgetWords } from "../../brief/budget";
import { briefFromLayout } from "../../edits/wish";
import { type Rule, counted, listed } from "../finding";

export const overBrief: Rule = {
  id: "brief/over",
  stage: "brief",
  severity: "warn",
  why: "Wishes grow during the work, and each addition may break the pin count.",
  source: "the counts of the brief and of the mat",
  check(design) {
    const budget = budgetOf(design);
    const wished = budget.lines.some((line) => line.wished > 0);
    if (!wished || !budget.lines.some((line) => line.placed > line.wished)) return [];
    return [
      {
        message: `${budgetWords(budget)}.`.replace(/^./, (letter) => letter.toUpperCase()),
        subjects: [],
        fixes: [{ title: "Take the counts from the mat", apply: briefFromLayout }],
      },
    ];
  },
};

export const planBroken: Rule = {
  id: "brief/plan-broken",
  stage: "brief",
  severity: "stop",
  why: "The plan that was chosen no longer serves what is wished and placed; found out after ordering, this means a new board.",
  source: "the chosen plan, worked out for the larger of wish and layout",
  check(design) {
    const { option } = budgetOf(design);
    if (!option || option.fits) return [];
    const short = option.room.short.map(({ what, count }) => `${counted(count, "pin")} for ${what}`);
    return [{ message: `The chosen plan (${option.title}) is short of ${listed(short)}.`, subjects: [] }];
  },
};
