import type { ConsumerUsage } from "./consumerUsages";
import type { KeyboardUsage } from "./keyboardUsages";

// Other words a person may search by, apart from the names: only a search asks for them.

const keyboardWords: Record<number, string> = {
  0x28: "new line",
  0x29: "esc",
  0x2a: "rub out",
  0x2d: "minus hyphen underscore",
  0x2e: "equals plus",
  0x2f: "bracket brace",
  0x30: "bracket brace",
  0x31: "backslash bar",
  0x32: "hash tilde",
  0x33: "semicolon colon",
  0x34: "apostrophe quote",
  0x35: "grave tilde",
  0x36: "comma less",
  0x37: "full stop greater",
  0x38: "slash question",
  0x46: "screenshot",
  0x48: "break",
  0x4b: "page up",
  0x4c: "del",
  0x4e: "page down",
  0x4f: "right arrow cursor",
  0x50: "left arrow cursor",
  0x51: "down arrow cursor",
  0x52: "up arrow cursor",
  0x54: "number pad divide",
  0x55: "number pad times",
  0x56: "number pad minus",
  0x57: "number pad plus",
  0x63: "number pad point",
  0x64: "extra key left shift",
  0x65: "menu",
  0x87: "ro",
  0x88: "kana",
  0x89: "yen",
  0x8a: "henkan",
  0x8b: "muhenkan",
  0x90: "hangul",
  0x91: "hanja",
  0xe0: "left control ctrl modifier",
  0xe1: "left shift modifier",
  0xe2: "left alt option modifier",
  0xe3: "left gui command meta modifier",
  0xe4: "right control ctrl modifier",
  0xe5: "right shift modifier",
  0xe6: "right alt option modifier",
  0xe7: "right gui command meta modifier",
};

const consumerWords: Record<number, string> = {
  0x30: "switch off",
  0x6f: "brighter screen",
  0x70: "darker screen",
  0xb5: "next song",
  0xb6: "previous song",
  0xcd: "media",
  0xe2: "sound volume",
  0xe9: "louder up",
  0xea: "quieter down",
  0x183: "media player",
  0x18a: "mail",
  0x194: "files",
  0x196: "web",
  0x19e: "lock screen",
  0x227: "reload",
};

const common: [pattern: RegExp, words: string][] = [
  [/^F\d/, "function"],
  [/^Digit/, "digit"],
  [/^Num/, "number pad"],
];

export const wordsOfKeyboard = ({ usage, code }: KeyboardUsage): string =>
  [...common.flatMap(([pattern, words]) => (pattern.test(code) ? [words] : [])), keyboardWords[usage] ?? ""].join(" ");

export const wordsOfConsumer = ({ usage }: ConsumerUsage): string => consumerWords[usage] ?? "";
