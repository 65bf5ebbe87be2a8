import { consumerUsages } from "./consumerUsages";
import { keyboardUsages } from "./keyboardUsages";
import { wordsOfConsumer, wordsOfKeyboard } from "./usageWords";

/** One hit of a search by name. */
export interface UsageHit {
  page: "keyboard" | "consumer";
  usage: number;
  name: string;
  /** What is held along, where the hit needs it. */
  modifiers?: number;
}

interface Entry {
  hit: UsageHit;
  text: string;
}

const entries: Entry[] = [
  ...keyboardUsages.map((entry) => ({
    hit: { page: "keyboard" as const, usage: entry.usage, name: entry.name },
    text: `${entry.name} ${entry.code} ${wordsOfKeyboard(entry)}`.toLowerCase(),
  })),
  ...consumerUsages.map((entry) => ({
    hit: { page: "consumer" as const, usage: entry.usage, name: entry.name },
    text: `${entry.name} ${wordsOfConsumer(entry)}`.toLowerCase(),
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
