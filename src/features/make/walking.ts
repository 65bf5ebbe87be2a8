import { nextStep } from "@/core/assembly/progress";
import type { ToldStep } from "@/core/assembly/toldAssembly";
import { deviceOf } from "@/core/document/buildSettings";
import { skipStep, stepAgain, stepDone } from "@/core/edits/build";
import { currentDesign, edit } from "@/store/bench";
import { flip, useHand } from "@/store/hand";
import { logStep } from "@/store/paceLog";
import { layDown, spentOn, takeUp } from "@/store/stepInHand";

/** Less than this was a click, not work: it tells nothing of anybody's pace. */
const LEAST_MINUTES = 0.1;

/** Turns the mat to the side on which a step is worked. */
function turnTo({ face }: ToldStep): void {
  if (face !== null && (face === "back") !== useHand.getState().flipped) flip();
}

export function beginStep(step: ToldStep): void {
  const design = currentDesign();
  if (!design) return;
  turnTo(step);
  takeUp(design.id, step.id);
}

/** On with the first open step behind this one; at the end there is none. */
function goOn(steps: ToldStep[], after: string): void {
  const design = currentDesign();
  const next = design && nextStep(design, steps, after);
  if (next) beginStep(next);
  else layDown();
}

/** Ticks a step off with what its clock tells, learns from it, and goes on. */
export function finishStep(step: ToldStep, steps: ToldStep[], learns = true): void {
  const design = currentDesign();
  if (!design) return;
  const minutes = spentOn(Date.now()) / 60_000;
  edit(`done: ${step.title}`, (d) => stepDone(d, step, minutes));
  if (learns && minutes >= LEAST_MINUTES)
    void logStep({
      key: `${design.id} ${step.id}`,
      at: new Date().toISOString(),
      sort: step.sort,
      units: step.units,
      minutes,
      device: deviceOf(design),
    });
  goOn(steps, step.id);
}

export function leaveOut(step: ToldStep, steps: ToldStep[]): void {
  edit(`leave out: ${step.title}`, (d) => skipStep(d, step.id));
  goOn(steps, step.id);
}

export function doAgain(step: ToldStep): void {
  edit(`do again: ${step.title}`, (d) => stepAgain(d, step));
  beginStep(step);
}
