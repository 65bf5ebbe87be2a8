import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Outcome } from "./predict";
import type { TrialDeed } from "./trial";

/** What a device tells of one press, in a word: a key of its keyboard, a button of its game pad, a note of a channel. */
export type Signal = `key ${number}` | `button ${number}` | `note ${number} ${number}`;

/** Which switch a signal stands for, and which switches cannot be told by one. */
export interface Listening {
  elementOf: Map<Signal, string>;
  /** Bound to something else, to a key with others held, or to a key that several have. */
  deaf: Set<string>;
}

/** What a device with its own keymap tells on its base layer: each switch that alone types one plain key, presses one button or sounds one note. */
export function listeningTo(design: Design): Listening {
  const presses = derive(design).inputs.filter(({ motion }) => motion === "press");
  const signalOf = new Map(presses.map(({ id, elementId }) => [elementId, plainSignal(design, id)]));
  const count = (signal: Signal) => [...signalOf.values()].filter((one) => one === signal).length;
  const isOwn = (signal: Signal | null): signal is Signal => signal !== null && count(signal) === 1;
  return {
    elementOf: new Map([...signalOf].flatMap(([id, signal]) => (isOwn(signal) ? [[signal, id] as const] : []))),
    deaf: new Set([...signalOf].flatMap(([id, signal]) => (isOwn(signal) ? [] : [id]))),
  };
}

/** What an input tells by itself on the base layer; null where it does something else. */
function plainSignal({ keymap }: Design, inputId: string): Signal | null {
  const base = keymap.layers[0]?.bindings ?? {};
  const binding = Object.hasOwn(base, inputId) ? base[inputId] : undefined;
  if (binding?.does === "keyboard" && binding.modifiers === 0) return `key ${binding.usage}`;
  if (binding?.does === "pad-button") return `button ${binding.button}`;
  return binding?.does === "note" ? `note ${binding.channel} ${binding.note}` : null;
}

/** Whether what comes of a test can be heard: presses and sweeps of switches that type keys of their own. */
export function canBeHeard({ deaf }: Listening, deed: TrialDeed): boolean {
  const ids = deed.does === "hold" ? deed.held : deed.does === "sweep" ? deed.each : null;
  return ids !== null && ids.every((id) => !deaf.has(id));
}

const times = (id: string, count: number): Outcome => (count > 1 ? `${id}*2` : id);

/**
 * What was heard as the outcome of a test.
 * @param heard switches in the order in which their keys went down
 * @returns null where it cannot be told which press brought what: two keys of a sweep that come together
 */
export function outcomeHeard(deed: TrialDeed, heard: readonly string[]): Outcome | null {
  const count = (id: string) => heard.filter((one) => one === id).length;
  if (deed.does === "hold")
    return [...new Set(heard)]
      .map((id) => times(id, count(id)))
      .sort()
      .join("+");
  if (deed.does !== "sweep") return null;
  const own = new Set(deed.each);
  const beside = new Map<string, string[]>();
  let last: string | null = null;
  for (const id of heard) {
    if (own.has(id)) last = id;
    else if (last === null) return null;
    else beside.set(last, [...(beside.get(last) ?? []), id]);
  }
  return deed.each
    .flatMap((id) => {
      const told = count(id) === 0 ? [] : [times(id, count(id)), ...new Set(beside.get(id))];
      const words = told.sort().join("+");
      return words === id ? [] : `${id}>${words}`;
    })
    .join(",");
}
