import type { MacroStep } from "../document/macros";

/**
 * Ways to type a character by its number in Unicode, where the keyboard language has no key for it. Each works on hosts of
 * one school, some only when it has been switched on there (from memory; not tested).
 */
export const numberSchools = ["control-shift-u", "alt-plus", "option-hex"] as const;
export type NumberSchool = (typeof numberSchools)[number];

export const numberSchoolWords: Record<NumberSchool, string> = {
  "control-shift-u": "Control + Shift + U, the number, Enter",
  "alt-plus": "hold Left Alt, + and the number on the number pad",
  "option-hex": "hold Left Alt while the number is typed",
};

const LEFT_ALT = 0xe2;
const LEFT_CONTROL_AND_SHIFT = 0x03;
const KEYPAD_PLUS = 0x57;
const KEYPAD_0 = 0x62;
const ENTER = 0x28;
const U = 0x18;

const tap = (usage: number, modifiers = 0): MacroStep => ({ step: "tap", usage, modifiers });
const typed = (text: string): MacroStep => ({ step: "text", text });

/** A digit on the number pad; letters are keys of the computer's language. */
const onKeypad = (digit: string) =>
  /[a-f]/.test(digit) ? typed(digit) : tap(digit === "0" ? KEYPAD_0 : 0x58 + Number(digit));

/** A digit on its place under US English, which a hexadecimal setting of the host has. */
function onPlace(digit: string): MacroStep {
  if (/[a-f]/.test(digit)) return tap(0x04 + digit.charCodeAt(0) - "a".charCodeAt(0));
  return tap(digit === "0" ? 0x27 : 0x1d + Number(digit));
}

/** @param character one character; its number is written with at least four hexadecimal digits */
export function numberEntry(character: string, school: NumberSchool): MacroStep[] {
  const number = character.codePointAt(0)!.toString(16).padStart(4, "0");
  if (school === "control-shift-u") return [tap(U, LEFT_CONTROL_AND_SHIFT), typed(number), tap(ENTER)];
  const digits = [...number];
  const held = school === "alt-plus" ? [tap(KEYPAD_PLUS), ...digits.map(onKeypad)] : digits.map(onPlace);
  return [{ step: "press", usage: LEFT_ALT, modifiers: 0 }, ...held, { step: "release", usage: LEFT_ALT }];
}

/** A text with a character entered by its number wherever it stands. */
export function withNumberEntry(text: string, character: string, school: NumberSchool): MacroStep[] {
  const parts = text.normalize("NFC").split(character);
  return parts.flatMap((part, nth): MacroStep[] => [
    ...(nth > 0 ? numberEntry(character, school) : []),
    ...(part === "" ? [] : [{ step: "text" as const, text: part }]),
  ]);
}
