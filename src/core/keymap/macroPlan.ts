import { type Binding, jobsOf } from "../bindings";
import type { MacroBinding } from "../bindings/macro";
import type { RepeatBinding } from "../bindings/repeat";
import { ENTRY_BYTES, LEFT_SHIFT, MACRO_ENDS, STEP, STROKE } from "../contract/contract";
import type { Macro, MacroStep } from "../document/macros";
import type { Design } from "../document/schema";
import { knownLanguage } from "../languages/known";
import { type Stroke, strokesFor } from "../languages/strokes";

type Played = MacroBinding | RepeatBinding;

/** Macros of the tables, by number: those of the keymap, then a macro for each repetition that is bound. */
export interface MacroPlan {
  played: Played[];
  code: number[][];
}

const keyOf = (binding: Played) =>
  binding.does === "macro"
    ? `macro ${binding.macroId}`
    : ["repeat", binding.usage, binding.modifiers, binding.afterMs, binding.everyMs].join(" ");

const plans = new WeakMap<Design["keymap"], MacroPlan>();

export function macroPlan({ keymap }: Pick<Design, "keymap">): MacroPlan {
  let plan = plans.get(keymap);
  if (!plan) plans.set(keymap, (plan = planOf(keymap)));
  return plan;
}

function planOf(keymap: Design["keymap"]): MacroPlan {
  const macros = keymap.macros ?? [];
  const repeats = new Map<string, RepeatBinding>();
  for (const { bindings } of keymap.layers)
    for (const binding of Object.values<Binding>(bindings))
      for (const job of jobsOf(binding)) if (job.does === "repeat") repeats.set(keyOf(job), job);
  // In an order of their own, so that binding them anew changes no number.
  const repeated = [...repeats].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, binding]) => binding);
  return {
    played: [...macros.map(({ id }): Played => ({ does: "macro", macroId: id })), ...repeated],
    code: [...macros.map((macro) => codeOf(macro, keymap)), ...repeated.map(repeatCode)],
  };
}

/** The number of what a binding plays; -1 when nothing of it is there. */
export function playedAt(design: Pick<Design, "keymap">, binding: Played): number {
  const key = keyOf(binding);
  return macroPlan(design).played.findIndex((one) => keyOf(one) === key);
}

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];
/** Before the steps: how often it plays, its flags, where it begins again. */
const HEAD_BYTES = 3;

function repeatCode({ usage, modifiers, afterMs, everyMs }: RepeatBinding): number[] {
  const tap = [STEP.TAP, usage, modifiers];
  const first = [...tap, STEP.WAIT, ...word(afterMs)];
  return [0, 0, HEAD_BYTES + first.length, ...first, ...tap, STEP.WAIT, ...word(everyMs), STEP.END];
}

function codeOf({ plays, endsOnPress, steps }: Macro, keymap: Design["keymap"]): number[] {
  const times = plays.how === "times" ? plays.times : 0;
  const code = stepsCode(steps, keymap);
  return [times, endsOnPress ? MACRO_ENDS : 0, HEAD_BYTES, ...code, STEP.END];
}

/** A part that is done again is told by how many bytes before it begins: no further back than the first step. */
function stepsCode(steps: MacroStep[], keymap: Design["keymap"]): number[] {
  const code: number[] = [];
  const begins: number[] = [];
  for (const step of steps) {
    const first = step.step === "again" ? (begins.at(-step.steps) ?? begins[0]) : undefined;
    begins.push(code.length);
    if (step.step !== "again") code.push(...stepCode(step, keymap));
    else if (first !== undefined) code.push(STEP.AGAIN, step.times, ...word(code.length - first));
  }
  return code;
}

function stepCode(step: Exclude<MacroStep, { step: "again" }>, keymap: Design["keymap"]): number[] {
  switch (step.step) {
    case "press":
      return [STEP.PRESS, step.usage, step.modifiers];
    case "release":
      return [STEP.RELEASE, step.usage, 0];
    case "tap":
      return [STEP.TAP, step.usage, step.modifiers];
    case "text":
      return textCode(strokesFor(step.text, knownLanguage(keymap.hostLanguage)).strokes);
    case "wait":
      return [STEP.WAIT, ...word(step.ms)];
    case "until-let-go":
      return [STEP.UNTIL_LET_GO];
    case "consumer":
      return [STEP.CONSUMER, ...word(step.usage)];
    case "layer": {
      const number = keymap.layers.findIndex(({ id }) => id === step.layerId);
      if (number < 0) return [];
      return [step.way === "stay" ? STEP.STAY_LAYER : STEP.SWITCH_LAYER, number, 0];
    }
  }
}

const MOST_STROKES = 255;

function textCode(strokes: Stroke[]): number[] {
  if (strokes.length === 0) return [];
  const now = strokes.slice(0, MOST_STROKES);
  return [STEP.TEXT, now.length, ...now.flatMap(strokeCode), ...textCode(strokes.slice(MOST_STROKES))];
}

/** A byte for a key alone or with Shift, three for others. */
function strokeCode({ usage, modifiers }: Stroke): number[] {
  if (usage < STROKE.LONG && modifiers === 0) return [usage];
  if (usage < STROKE.LONG && modifiers === LEFT_SHIFT) return [usage | STROKE.SHIFT];
  return [STROKE.LONG, usage, modifiers];
}

/** The table of macros: where each begins, then their bytes. */
export function macroTable(design: Pick<Design, "keymap">): number[] {
  const { code } = macroPlan(design);
  let place = code.length * ENTRY_BYTES.MACRO;
  const places = code.map((bytes) => {
    const at = place;
    place += bytes.length;
    return word(at);
  });
  return [...places.flat(), ...code.flat()];
}
