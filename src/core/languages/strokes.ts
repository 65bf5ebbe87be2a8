import { type HostLanguage, THIRD_LEVEL, deadKeyOf } from "./hostLanguage";

/** A key that is tapped, with what is held along. */
export interface Stroke {
  usage: number;
  modifiers: number;
}

const LEFT_SHIFT = 0x02;
const LEVELS = [0, LEFT_SHIFT, THIRD_LEVEL, THIRD_LEVEL | LEFT_SHIFT];

const known = new WeakMap<HostLanguage, Map<string, Stroke[]>>();

/** Every character that a language can type, with its shortest keystrokes: no dead key where one does without, the lowest level. */
export function charactersOf(language: HostLanguage): Map<string, Stroke[]> {
  let found = known.get(language);
  if (!found) known.set(language, (found = search(language)));
  return found;
}

function search(language: HostLanguage): Map<string, Stroke[]> {
  const plain = new Map<string, Stroke[]>();
  const dead = new Map<string, Stroke[]>();
  for (const [level, modifiers] of LEVELS.entries())
    for (const [usage, { deeds }] of language.keys) {
      const deed = deeds[level];
      if (!deed) continue;
      const of = deadKeyOf(deed) === null ? plain : dead;
      if (!of.has(deed)) of.set(deed, [{ usage, modifiers }]);
    }
  const made = new Map(plain);
  for (const [deed, first] of dead)
    for (const [next, character] of Object.entries(language.deadKeys[deadKeyOf(deed)!] ?? {})) {
      const then = plain.get(next) ?? dead.get(next);
      if (then && !made.has(character)) made.set(character, [...first, ...then]);
    }
  return made;
}

/** Keystrokes that type a text, and the characters that the language cannot type. */
export interface TypedText {
  strokes: Stroke[];
  missing: string[];
}

/** @param text is taken in composed form (Unicode NFC); a line's end is Enter, whatever it is written as. */
export function strokesFor(text: string, language: HostLanguage): TypedText {
  const characters = charactersOf(language);
  const missing = new Set<string>();
  const strokes: Stroke[] = [];
  const points = [...text.normalize("NFC").replace(/\r\n?/g, "\n")];
  for (let at = 0; at < points.length; at++) {
    // A letter and its accent are one character where a key or a dead key makes both at once.
    const both = at + 1 < points.length ? characters.get(points[at] + points[at + 1]) : undefined;
    const found = both ?? characters.get(points[at]);
    if (found) strokes.push(...found);
    else missing.add(points[at]);
    if (both) at += 1;
  }
  return { strokes, missing: [...missing] };
}
