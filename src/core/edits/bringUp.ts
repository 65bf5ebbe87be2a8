import { type BringUp, freshBringUp } from "../document/bringUpSettings";
import type { Design } from "../document/schema";

const changed = (design: Design, change: (bringUp: BringUp) => Partial<BringUp>): Design => {
  const bringUp = design.bringUp ?? freshBringUp;
  return { ...design, bringUp: { ...bringUp, ...change(bringUp) } };
};

/** Notes what came of a test; the same test made again replaces what it told before. */
export const answerTest = (design: Design, trial: string, came: string): Design =>
  changed(design, ({ answers, retests }) => ({
    answers: [...answers.filter((one) => one.trial !== trial), { trial, came }],
    retests: retests.filter((one) => one !== trial),
  }));

export const takeAnswerBack = (design: Design, trial: string): Design =>
  changed(design, ({ answers }) => ({ answers: answers.filter((one) => one.trial !== trial) }));

/** All tests anew; repairs stay. */
export const testAnew = (design: Design): Design =>
  changed(design, () => ({ answers: [], retests: [], isHunted: undefined }));

/**
 * Notes a repair. What was told before holds no more where the repair reached: those tests are forgotten and made again.
 * @param at when, as an ISO time
 */
export const noteRepair = (design: Design, what: string, at: string, retests: string[]): Design =>
  changed(design, ({ answers, repairs }) => ({
    answers: answers.filter(({ trial }) => !retests.includes(trial)),
    repairs: [...repairs, { what, at }],
    isHunted: undefined,
    retests,
  }));

/** Somebody knows that something is wrong: from here on each test is the one that tells most. */
export const huntFault = (design: Design, isHunted: boolean): Design =>
  changed(design, () => ({ isHunted: isHunted ? true : undefined }));

export const setEfforts = (design: Design, efforts: BringUp["efforts"]): Design => changed(design, () => ({ efforts }));
