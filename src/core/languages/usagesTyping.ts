import { keyboardUsageNamed, modifierNames } from "../hid/keyboardUsages";
import type { UsageHit } from "../hid/searchUsages";
import type { HostLanguage } from "./hostLanguage";
import { charactersOf } from "./strokes";

/** The key that types a character on a computer of this language, with what is held along; none where it takes more than one. */
export function usagesTyping(query: string, language: HostLanguage): UsageHit[] {
  if ([...query].length !== 1) return [];
  const strokes = charactersOf(language).get(query.normalize("NFC")) ?? [];
  if (strokes.length !== 1) return [];
  const [{ usage, modifiers }] = strokes;
  const held = modifierNames(modifiers).map((name) => `${name} + `);
  return [{ page: "keyboard", usage, modifiers, name: `types ${query}: ${held.join("")}${keyboardUsageNamed(usage)}` }];
}
