import type { HostLanguage } from "./hostLanguage";
import type { LanguageId } from "./ids";
import { usEnglish } from "./usEnglish";

let source: ((id: LanguageId) => HostLanguage) | null = null;

/** Says where the other languages come from: their tables are long, and a screen fetches them when one is asked for. */
export function bringLanguages(from: (id: LanguageId) => HostLanguage): void {
  source = from;
}

/** @throws Error when it is not US English and nobody has brought the others. */
export function knownLanguage(id: LanguageId): HostLanguage {
  if (id === usEnglish.id) return usEnglish;
  if (!source) throw new Error(`the keyboard language ${id} has not been brought`);
  return source(id);
}
