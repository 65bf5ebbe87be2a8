import type { MacroStep } from "../document/macros";
import type { PhraseContext } from "../bindings/bindingKind";

/** What a step of a macro does, in words. */
export function stepWords(step: MacroStep, context: PhraseContext): string {
  switch (step.step) {
    case "press":
      return `press ${context.keyboardUsage(step.usage, step.modifiers)}`;
    case "release":
      return `let go of ${context.keyboardUsage(step.usage, 0)}`;
    case "tap":
      return `tap ${context.keyboardUsage(step.usage, step.modifiers)}`;
    case "text":
      return `type “${step.text}”`;
    case "wait":
      return `wait ${step.ms} ms`;
    case "until-let-go":
      return "wait until the key is let go";
    case "consumer":
      return `tap ${context.consumerUsage(step.usage)}`;
    case "again":
      return `${step.steps === 1 ? "the step" : `the ${step.steps} steps`} before it ${step.times === 0 ? "until its key is let go" : `${step.times} times in all`}`;
    case "layer":
      return `${step.way === "stay" ? "stay on" : "switch"} ${context.layerName(step.layerId)}`;
  }
}

/** Keys that a macro leaves down, which its end lets go: usages, in the order they went down. */
export function leftDown(steps: MacroStep[]): number[] {
  const down = new Set<number>();
  for (const step of steps) {
    if (step.step === "press") down.add(step.usage);
    if (step.step === "release") down.delete(step.usage);
  }
  return [...down];
}
