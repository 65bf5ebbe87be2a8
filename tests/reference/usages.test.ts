import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { consumerUsages } from "@/core/hid/consumerUsages";
import { keyboardUsageForCode, keyboardUsages } from "@/core/hid/keyboardUsages";

// Source: USB HID Usage Tables, keyboard page 0x07 and consumer page 0x0C (values from memory), and the W3C
// recommendation "UI Events KeyboardEvent code Values" for the codes.
const RANGES: [first: string, last: string, from: number, to: number][] = [
  ["KeyA", "KeyZ", 0x04, 0x1d],
  ["Digit1", "Digit9", 0x1e, 0x26],
  ["F1", "F12", 0x3a, 0x45],
  ["F13", "F24", 0x68, 0x73],
  ["Numpad1", "Numpad9", 0x59, 0x61],
];

const SINGLE: Record<string, number> = {
  Digit0: 0x27,
  Enter: 0x28,
  Escape: 0x29,
  Backspace: 0x2a,
  Tab: 0x2b,
  Space: 0x2c,
  Minus: 0x2d,
  Equal: 0x2e,
  BracketLeft: 0x2f,
  BracketRight: 0x30,
  Backslash: 0x31,
  Semicolon: 0x33,
  Quote: 0x34,
  Backquote: 0x35,
  Comma: 0x36,
  Period: 0x37,
  Slash: 0x38,
  CapsLock: 0x39,
  PrintScreen: 0x46,
  ScrollLock: 0x47,
  Pause: 0x48,
  Insert: 0x49,
  Home: 0x4a,
  PageUp: 0x4b,
  Delete: 0x4c,
  End: 0x4d,
  PageDown: 0x4e,
  ArrowRight: 0x4f,
  ArrowLeft: 0x50,
  ArrowDown: 0x51,
  ArrowUp: 0x52,
  NumLock: 0x53,
  Numpad0: 0x62,
  NumpadDecimal: 0x63,
  IntlBackslash: 0x64,
  ContextMenu: 0x65,
  ControlLeft: 0xe0,
  ShiftLeft: 0xe1,
  AltLeft: 0xe2,
  MetaLeft: 0xe3,
  ControlRight: 0xe4,
  ShiftRight: 0xe5,
  AltRight: 0xe6,
  MetaRight: 0xe7,
};

const MEDIA: Record<string, number> = {
  "Display Brightness Increment": 0x6f,
  "Display Brightness Decrement": 0x70,
  "Fast Forward": 0xb3,
  Rewind: 0xb4,
  "Scan Next Track": 0xb5,
  "Scan Previous Track": 0xb6,
  Stop: 0xb7,
  Eject: 0xb8,
  "Play/Pause": 0xcd,
  Mute: 0xe2,
  "Volume Increment": 0xe9,
  "Volume Decrement": 0xea,
  "AL Email Reader": 0x18a,
  "AL Calculator": 0x192,
  "AC Search": 0x221,
  "AC Home": 0x223,
  "AC Back": 0x224,
  "AC Forward": 0x225,
  "AC Refresh": 0x227,
  "AC Bookmarks": 0x22a,
};

describe("keyboard page", () => {
  it.each(RANGES)("%s to %s", (first, last, from, to) => {
    const [, stem, start] = /^(\D+?)(\d+|[A-Z])$/.exec(first)!;
    for (let usage = from; usage <= to; usage++) {
      const step = usage - from;
      const end = /\d/.test(start) ? String(Number(start) + step) : String.fromCharCode(start.charCodeAt(0) + step);
      expect(keyboardUsageForCode(stem + end)?.usage, stem + end).toBe(usage);
      if (usage === to) expect(stem + end).toBe(last);
    }
  });

  it.each(Object.entries(SINGLE))("%s", (code, usage) => expect(keyboardUsageForCode(code)?.usage).toBe(usage));

  it("names no usage and no code twice", () => {
    expect(new Set(keyboardUsages.map((entry) => entry.usage)).size).toBe(keyboardUsages.length);
    expect(new Set(keyboardUsages.map((entry) => entry.code)).size).toBe(keyboardUsages.length);
  });
});

// Source: the W3C recommendation "UI Events KeyboardEvent code Values", its tables of codes for keys of keyboards (from memory).
const W3C_CODES = new Set(
  (
    "Backquote Backslash BracketLeft BracketRight Comma Equal IntlBackslash IntlRo IntlYen Minus Period Quote Semicolon " +
    "Slash AltLeft AltRight Backspace CapsLock ContextMenu ControlLeft ControlRight Enter MetaLeft MetaRight ShiftLeft " +
    "ShiftRight Space Tab Convert KanaMode Lang1 Lang2 Lang3 Lang4 Lang5 NonConvert Delete End Help Home Insert PageDown " +
    "PageUp ArrowDown ArrowLeft ArrowRight ArrowUp NumLock NumpadAdd NumpadBackspace NumpadClear NumpadComma NumpadDecimal " +
    "NumpadDivide NumpadEnter NumpadEqual NumpadMultiply NumpadSubtract Escape Fn FnLock PrintScreen ScrollLock Pause " +
    "Power Again Copy Cut Find Open Paste Props Select Undo"
  )
    .split(" ")
    .concat([..."ABCDEFGHIJKLMNOPQRSTUVWXYZ"].map((letter) => `Key${letter}`))
    .concat([..."0123456789"].flatMap((digit) => [`Digit${digit}`, `Numpad${digit}`]))
    .concat(Array.from({ length: 24 }, (_, nth) => `F${nth + 1}`)),
);

describe("codes of keys", () => {
  it("are those of the W3C, but for the key that it gives its neighbour's", () => {
    const others = keyboardUsages.filter(({ code }) => !W3C_CODES.has(code));
    // The W3C has Backslash for this key too; files need to tell the two usages apart.
    expect(others).toMatchObject([{ usage: 0x32, code: "IntlHash" }]);
  });
});

describe("consumer page", () => {
  it.each(Object.entries(MEDIA))("%s", (name, usage) => {
    expect(consumerUsages.find((entry) => entry.name === name)?.usage).toBe(usage);
  });
});

// Source: Debian's xkb-data, symbols/us: what a host set to US English types on each key, by the key's place.
describe("what US English types", () => {
  const file = readFileSync("/usr/share/X11/xkb/symbols/us", "utf8");
  const basic = /xkb_symbols "basic" \{([\s\S]*?)\n\};/.exec(file)![1];
  const rows = new Map(
    [...basic.matchAll(/key <(\w+)>\s*\{\s*\[\s*([^\]]*)\]/g)].map(([, key, symbols]) => [
      key,
      symbols.split(",").map((s) => s.trim()),
    ]),
  );
  const ROWS: [prefix: string, codes: string[]][] = [
    [
      "AE",
      [
        "Digit1",
        "Digit2",
        "Digit3",
        "Digit4",
        "Digit5",
        "Digit6",
        "Digit7",
        "Digit8",
        "Digit9",
        "Digit0",
        "Minus",
        "Equal",
      ],
    ],
    ["AD", [..."QWERTYUIOP"].map((letter) => `Key${letter}`).concat("BracketLeft", "BracketRight")],
    ["AC", [..."ASDFGHJKL"].map((letter) => `Key${letter}`).concat("Semicolon", "Quote")],
    ["AB", [..."ZXCVBNM"].map((letter) => `Key${letter}`).concat("Comma", "Period", "Slash")],
  ];
  const NAMES: Record<string, string> = {
    exclam: "!",
    at: "@",
    numbersign: "#",
    dollar: "$",
    percent: "%",
    asciicircum: "^",
    ampersand: "&",
    asterisk: "*",
    parenleft: "(",
    parenright: ")",
    minus: "-",
    underscore: "_",
    equal: "=",
    plus: "+",
    bracketleft: "[",
    braceleft: "{",
    bracketright: "]",
    braceright: "}",
    semicolon: ";",
    colon: ":",
    apostrophe: "'",
    quotedbl: '"',
    comma: ",",
    less: "<",
    period: ".",
    greater: ">",
    slash: "/",
    question: "?",
    grave: "`",
    asciitilde: "~",
    backslash: "\\",
    bar: "|",
  };
  const sign = (name: string) => NAMES[name] ?? name;
  const places = [
    ...ROWS.flatMap(([prefix, codes]) => codes.map((code, i) => [code, `${prefix}${String(i + 1).padStart(2, "0")}`])),
    ["Backquote", "TLDE"],
    ["Backslash", "BKSL"],
  ];

  it.each(places)("%s", (code, key) => {
    const [plain, shifted] = rows.get(key)!;
    expect(keyboardUsageForCode(code)!.types).toEqual([sign(plain), sign(shifted)]);
  });
});
