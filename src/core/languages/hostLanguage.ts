import { keyboardUsage } from "../hid/keyboardUsages";
import type { LanguageId } from "./ids";

/** What a key does on each level: a character, a dead key ("dead acute"), or "" for nothing; 1 at the end: it heeds Caps Lock. */
type KeyRow = (string | 1)[];
export interface KeyTable {
  /** Whether Right Alt chooses the third level. */
  third: boolean;
  keys: Record<string, KeyRow>;
}
export type DeadKeys = Record<string, Record<string, string>>;

/** A keyboard language as a computer has it. */
export interface HostLanguage {
  id: LanguageId;
  third: boolean;
  keys: ReadonlyMap<number, { deeds: readonly string[]; heedsCaps: boolean }>;
  deadKeys: DeadKeys;
}

const DEAD = "dead ";
/** The accent of a dead key, or null for what types at once. */
export const deadKeyOf = (deed: string): string | null => (deed.startsWith(DEAD) ? deed.slice(DEAD.length) : null);

/** Keys that every language has alike: Enter, Tab, the keypad (its digits as with Num Lock). */
const TAB = 0x2b;
const COMMON = [0x28, TAB, ...Array.from({ length: 16 }, (_, nth) => 0x54 + nth), 0x67];

/** The key that boards of one kind have in place of another: both are one key to the computer (HID Usage Tables, notes of 0x31 and 0x32). */
const SAME_KEY: Record<number, number> = { 0x32: 0x31 };

export function languageOf(id: LanguageId, { third, keys }: KeyTable, deadKeys: DeadKeys): HostLanguage {
  const rows = Object.entries(keys).map(([usage, row]) => {
    const heedsCaps = row.at(-1) === 1;
    return [parseInt(usage, 16), { deeds: (heedsCaps ? row.slice(0, -1) : row) as string[], heedsCaps }] as const;
  });
  const common = COMMON.flatMap((usage) => {
    const types = keyboardUsage(usage)?.types;
    // Shift and Tab go back; they type nothing.
    const deeds = types && (usage === TAB ? ["\t"] : [...types]);
    return deeds ? [[usage, { deeds, heedsCaps: false }] as const] : [];
  });
  return { id, third, keys: new Map([...common, ...rows]), deadKeys };
}

export const keyOf = (language: HostLanguage, usage: number) => language.keys.get(SAME_KEY[usage] ?? usage);

export const SHIFTS = 0x22;
export const THIRD_LEVEL = 0x40;
/** Where the levels begin that the third-level key chooses. */
const THIRD = 2;

const isPair = (lower: string, upper: string) =>
  lower !== upper && lower.toUpperCase() === upper && upper.toLowerCase() === lower;

/** Caps Lock on a key that does not heed it: its letter in capitals all the same, where it has one (X11; libxkbcommon). */
function capital(deed: string): string {
  if (deed === "ß") return "ẞ";
  if (deadKeyOf(deed) !== null || /[ςµ]|\p{Script=Georgian}/u.test(deed)) return deed;
  const upper = deed.toUpperCase();
  return [...upper].length === [...deed].length ? upper : deed;
}

/**
 * What a key does under a language: a character, a dead key, "" for nothing; undefined when it types nothing there, or not
 * with these modifiers (Control, Left Alt, GUI, and Right Alt where it is no third level).
 * @param modifiers bit 0 = left control … bit 7 = right GUI, as in the report's first byte
 */
export function deedOf(language: HostLanguage, usage: number, modifiers: number, capsLock = false): string | undefined {
  const key = keyOf(language, usage);
  const types = SHIFTS | (language.third ? THIRD_LEVEL : 0);
  if (!key || modifiers & ~types) return undefined;
  return onLevel(key, (modifiers & THIRD_LEVEL) !== 0, (modifiers & SHIFTS) !== 0, capsLock);
}

type Key = HostLanguage["keys"] extends ReadonlyMap<number, infer One> ? One : never;

function onLevel({ deeds, heedsCaps }: Key, third: boolean, shift: boolean, capsLock: boolean): string {
  // A key of two levels does not heed the third (X Keyboard Extension: modifiers that a key's type leaves out).
  const from = third && deeds.length > THIRD ? THIRD : 0;
  const heeds = heedsCaps && (from === 0 || isPair(deeds[from], deeds[from + 1] ?? ""));
  const deed = deeds[from + (shift !== (capsLock && heeds) ? 1 : 0)] ?? "";
  return capsLock && !heeds ? capital(deed) : deed;
}
