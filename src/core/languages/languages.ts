import { type HostLanguage, languageOf } from "./hostLanguage";
import type { LanguageId } from "./ids";
import { DEAD_KEYS, KEY_TABLES } from "./languages.generated";

const made = new Map<LanguageId, HostLanguage>();

/** A keyboard language with its tables. They are long: on a screen this module is loaded when a language is asked for. */
export function hostLanguage(id: LanguageId): HostLanguage {
  let language = made.get(id);
  if (!language) made.set(id, (language = languageOf(id, KEY_TABLES[id], DEAD_KEYS)));
  return language;
}
