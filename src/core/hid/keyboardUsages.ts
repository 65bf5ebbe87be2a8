/**
 * The keyboard page (0x07) of the USB HID Usage Tables with the W3C UI Events `code` of the same key, and what the
 * key types on a host set to US English (plain, with Shift).
 */
export interface KeyboardUsage {
  usage: number;
  /** The name in the HID Usage Tables, without the leading word "Keyboard". */
  name: string;
  code: string;
  types?: [plain: string, shifted: string];
}

const letters: KeyboardUsage[] = [..."abcdefghijklmnopqrstuvwxyz"].map((letter, nth) => ({
  usage: 0x04 + nth,
  name: `${letter} and ${letter.toUpperCase()}`,
  code: `Key${letter.toUpperCase()}`,
  types: [letter, letter.toUpperCase()],
}));

const digits: KeyboardUsage[] = [..."1234567890"].map((digit, nth) => ({
  usage: 0x1e + nth,
  name: `${digit} and ${"!@#$%^&*()"[nth]}`,
  code: `Digit${digit}`,
  types: [digit, "!@#$%^&*()"[nth]],
}));

const functionKeys = (first: number, from: number, to: number): KeyboardUsage[] =>
  Array.from({ length: to - from + 1 }, (_, nth) => ({
    usage: first + nth,
    name: `F${from + nth}`,
    code: `F${from + nth}`,
  }));

const keypadDigits: KeyboardUsage[] = [..."1234567890"].map((digit, nth) => ({
  usage: 0x59 + nth,
  name: `Keypad ${digit}`,
  code: `Numpad${digit}`,
  types: [digit, digit],
}));

type Row = [usage: number, name: string, code: string, plain?: string, shifted?: string];
const rows: Row[] = [
  [0x28, "Return (Enter)", "Enter", "\n", "\n"],
  [0x29, "Escape", "Escape"],
  [0x2a, "Delete (Backspace)", "Backspace"],
  [0x2b, "Tab", "Tab", "\t", "\t"],
  [0x2c, "Spacebar", "Space", " ", " "],
  [0x2d, "- and _", "Minus", "-", "_"],
  [0x2e, "= and +", "Equal", "=", "+"],
  [0x2f, "[ and {", "BracketLeft", "[", "{"],
  [0x30, "] and }", "BracketRight", "]", "}"],
  [0x31, "\\ and |", "Backslash", "\\", "|"],
  [0x32, "Non-US # and ~", "IntlHash", "\\", "|"],
  [0x33, "; and :", "Semicolon", ";", ":"],
  [0x34, "' and \"", "Quote", "'", '"'],
  [0x35, "` and ~", "Backquote", "`", "~"],
  [0x36, ", and <", "Comma", ",", "<"],
  [0x37, ". and >", "Period", ".", ">"],
  [0x38, "/ and ?", "Slash", "/", "?"],
  [0x39, "Caps Lock", "CapsLock"],
  [0x46, "PrintScreen", "PrintScreen"],
  [0x47, "Scroll Lock", "ScrollLock"],
  [0x48, "Pause", "Pause"],
  [0x49, "Insert", "Insert"],
  [0x4a, "Home", "Home"],
  [0x4b, "PageUp", "PageUp"],
  [0x4c, "Delete Forward", "Delete"],
  [0x4d, "End", "End"],
  [0x4e, "PageDown", "PageDown"],
  [0x4f, "RightArrow", "ArrowRight"],
  [0x50, "LeftArrow", "ArrowLeft"],
  [0x51, "DownArrow", "ArrowDown"],
  [0x52, "UpArrow", "ArrowUp"],
  [0x53, "Keypad Num Lock and Clear", "NumLock"],
  [0x54, "Keypad /", "NumpadDivide", "/", "/"],
  [0x55, "Keypad *", "NumpadMultiply", "*", "*"],
  [0x56, "Keypad -", "NumpadSubtract", "-", "-"],
  [0x57, "Keypad +", "NumpadAdd", "+", "+"],
  [0x58, "Keypad ENTER", "NumpadEnter", "\n", "\n"],
  [0x63, "Keypad .", "NumpadDecimal", ".", "."],
  [0x64, "Non-US \\ and |", "IntlBackslash", "<", ">"],
  [0x65, "Application", "ContextMenu"],
  [0x66, "Power", "Power"],
  [0x67, "Keypad =", "NumpadEqual", "=", "="],
  [0x75, "Help", "Help"],
  [0x7a, "Undo", "Undo"],
  [0x7b, "Cut", "Cut"],
  [0x7c, "Copy", "Copy"],
  [0x7d, "Paste", "Paste"],
  [0x7e, "Find", "Find"],
  [0x85, "Keypad Comma", "NumpadComma"],
  [0x87, "International1", "IntlRo"],
  [0x88, "International2", "KanaMode"],
  [0x89, "International3", "IntlYen"],
  [0x8a, "International4", "Convert"],
  [0x8b, "International5", "NonConvert"],
  [0x90, "LANG1", "Lang1"],
  [0x91, "LANG2", "Lang2"],
  [0xe0, "LeftControl", "ControlLeft"],
  [0xe1, "LeftShift", "ShiftLeft"],
  [0xe2, "LeftAlt", "AltLeft"],
  [0xe3, "Left GUI", "MetaLeft"],
  [0xe4, "RightControl", "ControlRight"],
  [0xe5, "RightShift", "ShiftRight"],
  [0xe6, "RightAlt", "AltRight"],
  [0xe7, "Right GUI", "MetaRight"],
];

const named = rows.map(([usage, name, code, plain, shifted]): KeyboardUsage => {
  const entry: KeyboardUsage = { usage, name, code };
  return plain === undefined || shifted === undefined ? entry : { ...entry, types: [plain, shifted] };
});

export const keyboardUsages: KeyboardUsage[] = [
  ...letters,
  ...digits,
  ...named,
  ...functionKeys(0x3a, 1, 12),
  ...functionKeys(0x68, 13, 24),
  ...keypadDigits,
].sort((a, b) => a.usage - b.usage);

const byUsage = new Map(keyboardUsages.map((entry) => [entry.usage, entry]));
const byCode = new Map(keyboardUsages.map((entry) => [entry.code, entry]));

export const keyboardUsage = (usage: number): KeyboardUsage | undefined => byUsage.get(usage);
export const keyboardUsageForCode = (code: string): KeyboardUsage | undefined => byCode.get(code);

/** The name to show: of letters, digits and signs the first character, else the table's name. */
export function keyboardUsageNamed(usage: number): string {
  const entry = byUsage.get(usage);
  if (!entry) return `usage 0x${usage.toString(16).toUpperCase().padStart(2, "0")}`;
  return keyboardUsageLegend(entry);
}

const SPACED: Record<string, string> = {
  LeftControl: "Left Control",
  LeftShift: "Left Shift",
  LeftAlt: "Left Alt",
  RightControl: "Right Control",
  RightShift: "Right Shift",
  RightAlt: "Right Alt",
  RightArrow: "Right Arrow",
  LeftArrow: "Left Arrow",
  DownArrow: "Down Arrow",
  UpArrow: "Up Arrow",
  PageUp: "Page Up",
  PageDown: "Page Down",
  "Return (Enter)": "Enter",
  "Delete (Backspace)": "Backspace",
  "Delete Forward": "Delete",
  Spacebar: "Space",
};

function keyboardUsageLegend({ name }: KeyboardUsage): string {
  const first = /^(\S) and \S$/.exec(name);
  if (first) return first[1].toUpperCase();
  return SPACED[name] ?? name;
}

const MODIFIERS = [
  "Left Control",
  "Left Shift",
  "Left Alt",
  "Left GUI",
  "Right Control",
  "Right Shift",
  "Right Alt",
  "Right GUI",
];

/** Names of the modifiers whose bits are set, in the order of the report's first byte. */
export const modifierNames = (bits: number): string[] => MODIFIERS.filter((_, bit) => (bits >> bit) & 1);
