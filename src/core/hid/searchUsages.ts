import { consumerUsages } from "./consumerUsages";
import { keyboardUsages } from "./keyboardUsages";

/** One hit of a search by name. */
export interface UsageHit {
  page: "keyboard" | "consumer";
  usage: number;
  name: string;
}

interface Entry {
  hit: UsageHit;
  text: string;
}

const entries: Entry[] = [
  ...keyboardUsages.map(({ usage, name, code, also }) => ({
    hit: { page: "keyboard" as const, usage, name },
    text: `${name} ${code} ${also}`.toLowerCase(),
  })),
  ...consumerUsages.map(({ usage, name, also }) => ({
    hit: { page: "consumer" as const, usage, name },
    text: `${name} ${also}`.toLowerCase(),
  })),
];

function rank({ hit, text }: Entry, words: string[]): number {
  const name = hit.name.toLowerCase();
  if (!words.every((word) => text.includes(word))) return -1;
  if (name === words.join(" ") || name.startsWith(`${words[0]} and `)) return 0;
  if (name.startsWith(words[0])) return 1;
  return text.split(" ").some((part) => part.startsWith(words[0])) ? 2 : 3;
}

/** Usages whose name or common words contain every word typed, best first; all of them for an empty search. */
export function searchUsages(query: string): UsageHit[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return entries.map(({ hit }) => hit);
  return entries
    .map((entry) => ({ entry, place: rank(entry, words) }))
    .filter(({ place }) => place >= 0)
    .sort((a, b) => a.place - b.place)
    .map(({ entry }) => entry.hit);
}
