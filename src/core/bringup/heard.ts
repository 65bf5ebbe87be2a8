import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Outcome } from "./predict";
import type { TrialDeed } from "./trial";

/** Which switch a key of a keyboard's report stands for, and which switches cannot be told by one. */
export interface Listening {
  elementOf: Map<number, string>;
  /** Bound to something else, to a key with others held, or to a key that several have. */
  deaf: Set<string>;
}

/** What a device with its own keymap types on its base layer: each switch that alone types one plain key. */
export function listeningTo(design: Design): Listening {
  const presses = derive(design).inputs.filter(({ motion }) => motion === "press");
  const usageOf = new Map(presses.map(({ id, elementId }) => [elementId, plainUsage(design, id)]));
  const count = (usage: number) => [...usageOf.values()].filter((one) => one === usage).length;
  const isOwn = (usage: number | null): usage is number => usage !== null && count(usage) === 1;
  return {
    elementOf: new Map([...usageOf].flatMap(([id, usage]) => (isOwn(usage) ? [[usage, id] as const] : []))),
    deaf: new Set([...usageOf].flatMap(([id, usage]) => (isOwn(usage) ? [] : [id]))),
  };
}

/** The plain key that an input types on the base layer; null where it does something else. */
function plainUsage({ keymap }: Design, inputId: string): number | null {
  const base = keymap.layers[0]?.bindings ?? {};
  const binding = Object.hasOwn(base, inputId) ? base[inputId] : undefined;
  return binding?.does === "keyboard" && binding.modifiers === 0 ? binding.usage : null;
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
