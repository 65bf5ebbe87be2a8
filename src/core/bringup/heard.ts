import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { keyboardUsage } from "../hid/keyboardUsages";
import type { Outcome } from "./predict";
import type { TrialDeed } from "./trial";

/** What a device tells of one press, in a word: a key of its keyboard, a button of its game pad, a note of a channel. */
export type Signal = `key ${number}` | `button ${number}` | `note ${number} ${number}`;

/** What a hand did, as a signal tells it: a switch pressed, or a knob one felt step on. */
export interface HeardMove {
  elementId: string;
  motion: "press" | "clockwise" | "anticlockwise";
}

/** Which move a signal stands for, and which elements cannot be told by one. */
export interface Listening {
  moveOf: Map<Signal, HeardMove>;
  /** Bound to something else, to a key with others held, to a key that several have, or to one that no page hears. */
  deaf: Set<string>;
}

const isHeardMotion = (motion: string): motion is HeardMove["motion"] =>
  ["press", "clockwise", "anticlockwise"].includes(motion);

/** What a device tells on the base layer of its keymap: each move that alone types one plain key, presses one button or sounds one note. */
export function listeningTo(design: Design): Listening {
  const moves = derive(design).inputs.flatMap(({ id, elementId, motion }) =>
    isHeardMotion(motion) ? [{ move: { elementId, motion }, signal: plainSignal(design, id) }] : [],
  );
  const counts = new Map<Signal, number>();
  for (const { signal } of moves) if (signal) counts.set(signal, (counts.get(signal) ?? 0) + 1);
  const moveOf = new Map<Signal, HeardMove>();
  const deaf = new Set<string>();
  for (const { move, signal } of moves)
    if (signal !== null && counts.get(signal) === 1) moveOf.set(signal, move);
    else deaf.add(move.elementId);
  return { moveOf, deaf };
}

/** What an input tells by itself on the base layer; null where it does something else. */
function plainSignal({ keymap }: Design, inputId: string): Signal | null {
  const base = keymap.layers[0]?.bindings ?? {};
  const binding = Object.hasOwn(base, inputId) ? base[inputId] : undefined;
  if (binding?.does === "keyboard" && binding.modifiers === 0)
    return keyboardUsage(binding.usage) ? `key ${binding.usage}` : null;
  if (binding?.does === "pad-button") return `button ${binding.button}`;
  return binding?.does === "note" ? `note ${binding.channel} ${binding.note}` : null;
}

/** Elements whose telling a test asks for; null where what comes of it is not told by signals. */
function toldElements(deed: TrialDeed): string[] | null {
  if (deed.does === "hold") return deed.held;
  if (deed.does === "sweep") return deed.each;
  return deed.does === "turn" ? [deed.elementId] : null;
}

/** Whether what comes of a test can be heard: presses, sweeps and turns of what tells something of its own. */
export const canBeHeard = ({ deaf }: Listening, deed: TrialDeed): boolean =>
  toldElements(deed)?.every((id) => !deaf.has(id)) ?? false;

const times = (id: string, count: number): Outcome => (count > 1 ? `${id}*2` : id);
const joined = (ids: Iterable<string>): Outcome => [...ids].sort().join("+");

/**
 * What was heard as the outcome of a test.
 * @param heard moves in the order in which they were told
 * @returns null where it cannot be told which press brought what: two keys of a sweep that come together
 */
export function outcomeHeard(deed: TrialDeed, heard: readonly HeardMove[]): Outcome | null {
  const pressed = heard.filter(({ motion }) => motion === "press").map(({ elementId }) => elementId);
  if (deed.does === "hold") return joined([...new Set(pressed)].map((id) => times(id, countOf(pressed, id))));
  if (deed.does === "turn") return joined([String(stepsHeard(deed.elementId, heard)), ...new Set(pressed)]);
  return deed.does === "sweep" ? sweepHeard(deed.each, pressed) : null;
}

const countOf = (ids: readonly string[], id: string) => ids.filter((one) => one === id).length;

/** Felt steps of a knob, clockwise less anticlockwise. */
const stepsHeard = (elementId: string, heard: readonly HeardMove[]) =>
  heard
    .filter((move) => move.elementId === elementId && move.motion !== "press")
    .reduce((steps, { motion }) => steps + (motion === "clockwise" ? 1 : -1), 0);

/** What each key of a sweep brought with it, where that is not itself alone. */
function sweepHeard(each: string[], pressed: readonly string[]): Outcome | null {
  const own = new Set(each);
  const beside = new Map<string, string[]>();
  let last: string | null = null;
  for (const id of pressed) {
    if (own.has(id)) last = id;
    else if (last === null) return null;
    else beside.set(last, [...(beside.get(last) ?? []), id]);
  }
  return each
    .flatMap((id) => {
      const count = countOf(pressed, id);
      const words = joined(count === 0 ? [] : [times(id, count), ...new Set(beside.get(id))]);
      return words === id ? [] : `${id}>${words}`;
    })
    .join(",");
}
