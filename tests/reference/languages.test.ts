import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { keyboardUsages } from "@/core/hid/keyboardUsages";
import { type LanguageId, languageIds } from "@/core/languages/ids";
import { languageList } from "@/core/languages/languageList";
import { hostLanguage } from "@/core/languages/languages";
import { type Stroke, charactersOf, strokesFor } from "@/core/languages/strokes";
import { Typist } from "@/core/languages/typist";
import { workFolder } from "../firmware/builds";

/** Key codes of the Linux kernel for usages of the keyboard page, letters first (from memory: its HID input driver's table). */
const KEY_CODES = [
  30, 48, 46, 32, 18, 33, 34, 35, 23, 36, 37, 38, 50, 49, 24, 25, 16, 19, 31, 20, 22, 47, 17, 45, 21, 44, 2, 3, 4, 5, 6,
  7, 8, 9, 10, 11, 28, 1, 14, 15, 57, 12, 13, 26, 27, 43, 43, 39, 40, 41, 51, 52, 53,
];
const OTHERS: Record<number, number> = { 0x64: 86, 0x87: 89, 0x89: 124 };
/** X11 key codes are the kernel's and eight. */
const codeOf = (usage: number) => 8 + (OTHERS[usage] ?? KEY_CODES[usage - 4]);
const isOnBoard = ({ usage }: Stroke) => OTHERS[usage] !== undefined || KEY_CODES[usage - 4] !== undefined;

let judge = "";
beforeAll(() => {
  judge = join(workFolder(), "typeLanguages");
  execFileSync("gcc", ["-O1", "-Wall", "-Werror", "tests/reference/typeLanguages.c", "-lxkbcommon", "-o", judge]);
});

interface Asked {
  strokes: Stroke[];
  caps?: boolean;
}

/** What libxkbcommon makes of keystrokes. */
function judged(id: LanguageId, asked: Asked[]): string[] {
  const { layout, variant } = languageList[id];
  const lines = asked.map(
    ({ strokes, caps }) =>
      `T ${caps ? 1 : 0} ${strokes.map(({ usage, modifiers }) => `${codeOf(usage)}:${modifiers}`).join(" ")}`,
  );
  const said = execFileSync(judge, { input: `L ${layout} ${variant ?? "-"}\n${lines.join("\n")}\n`, encoding: "utf8" });
  return said
    .split("\n")
    .slice(0, asked.length)
    .map((hex) => Buffer.from(hex, "hex").toString().replace("\r", "\n"));
}

/** What ours makes of them. */
function typed(id: LanguageId, { strokes, caps }: Asked): string {
  const typist = new Typist(hostLanguage(id));
  return strokes.map(({ usage, modifiers }) => typist.press(usage, modifiers, caps) ?? "").join("");
}

describe("keyboard languages against libxkbcommon (state and compose)", () => {
  let count = 0;

  it.each(languageIds)("%s: every character it can type is what that library makes of the same keys", (id) => {
    const all = [...charactersOf(hostLanguage(id))].filter(([, strokes]) => strokes.every(isOnBoard));
    expect(all.length).toBeGreaterThan(80);
    const theirs = judged(
      id,
      all.map(([, strokes]) => ({ strokes })),
    );
    expect(all.flatMap(([character], nth) => (theirs[nth] === character ? [] : [[character, theirs[nth]]]))).toEqual(
      [],
    );
    count += all.length;
  });

  it("were many characters", () => {
    console.log(`${count} characters of ${languageIds.length} languages typed through libxkbcommon`);
    expect(count).toBeGreaterThan(15_000);
  });

  it.each(languageIds)("%s: each key on each level, with Caps Lock too, types the same", (id) => {
    const keys = [...hostLanguage(id).keys.keys()].filter((usage) => isOnBoard({ usage, modifiers: 0 }));
    const levels = hostLanguage(id).third ? [0, 0x02, 0x40, 0x42] : [0, 0x02];
    const asked = keys.flatMap((usage) =>
      levels.flatMap((modifiers) =>
        // How systems turn the third level's signs with Caps Lock differs from one to the next.
        (modifiers < 0x40 ? [false, true] : [false]).map((caps) => ({ strokes: [{ usage, modifiers }], caps })),
      ),
    );
    const theirs = judged(id, asked);
    const differ = asked.flatMap((one, nth) => {
      const ours = typed(id, one);
      // In capitals the library makes nothing of the micro sign.
      return ours === theirs[nth] || (one.caps && ours === "µ")
        ? []
        : [`${one.strokes[0].usage.toString(16)} ${one.strokes[0].modifiers} ${one.caps}: ${ours} ${theirs[nth]}`];
    });
    expect(differ).toEqual([]);
  });
});

const usageOf = (code: string) => keyboardUsages.find((one) => one.code === code)!.usage;

/** What is printed on keyboards of these countries, by hand (from memory): a character, the W3C code of its key, what is held along. */
const BY_HAND: [LanguageId, string][] = [
  [
    "de-DE",
    "z KeyY,y KeyZ,ü BracketLeft,ö Semicolon,ä Quote,ß Minus,# Backslash,+ BracketRight,Ü BracketLeft shift,? Minus shift,! Digit1 shift,/ Digit7 shift,= Digit0 shift,; Comma shift,: Period shift,_ Slash shift,@ KeyQ third,€ KeyE third,{ Digit7 third,< IntlBackslash",
  ],
  [
    "fr-FR",
    "a KeyQ,q KeyA,z KeyW,w KeyZ,m Semicolon,& Digit1,é Digit2,\" Digit3,' Digit4,( Digit5,ç Digit9,à Digit0,) Minus,1 Digit1 shift,0 Digit0 shift,ù Quote,. Comma shift,? KeyM shift,@ Digit0 third,# Digit3 third",
  ],
  [
    "en-GB",
    "a KeyA,z KeyZ,\" Digit2 shift,£ Digit3 shift,@ Quote shift,# Backslash,~ Backslash shift,\\ IntlBackslash,| IntlBackslash shift,' Quote,; Semicolon,: Semicolon shift,- Minus,_ Minus shift,= Equal,+ Equal shift,[ BracketLeft,} BracketRight shift,/ Slash,€ Digit4 third",
  ],
  [
    "es-ES",
    "ñ Semicolon,Ñ Semicolon shift,ç Backslash,¡ Equal,¿ Equal shift,' Minus,? Minus shift,\" Digit2 shift,· Digit3 shift,/ Digit7 shift,( Digit8 shift,) Digit9 shift,= Digit0 shift,+ BracketRight,* BracketRight shift,- Slash,_ Slash shift,; Comma shift,@ Digit2 third,# Digit3 third",
  ],
  [
    "sv-SE",
    "å BracketLeft,ö Semicolon,ä Quote,Å BracketLeft shift,Ö Semicolon shift,Ä Quote shift,+ Minus,? Minus shift,' Backslash,* Backslash shift,< IntlBackslash,> IntlBackslash shift,- Slash,_ Slash shift,§ Backquote,\" Digit2 shift,/ Digit7 shift,@ Digit2 third,{ Digit7 third,\\ Minus third",
  ],
];
const HELD: Record<string, number> = { shift: 0x02, third: 0x40 };

describe("keyboard languages against what is printed on keyboards", () => {
  it.each(BY_HAND)("%s", (id, rows) => {
    const wanted = rows.split(/,(?=\S+ [A-Z])/).map((row) => row.split(" "));
    expect(wanted).toHaveLength(20);
    for (const [character, code, held] of wanted) {
      const modifiers = HELD[held] ?? 0;
      expect(typed(id, { strokes: [{ usage: usageOf(code), modifiers }] }), `${id} ${code}`).toBe(character);
      const { strokes } = strokesFor(character, hostLanguage(id));
      expect(strokes.length, character).toBe(1);
    }
  });

  it("types accents with dead keys where there are no keys for them", () => {
    expect(strokesFor("ê", hostLanguage("fr-FR")).strokes).toEqual([
      { usage: usageOf("BracketLeft"), modifiers: 0 },
      { usage: usageOf("KeyE"), modifiers: 0 },
    ]);
    expect(strokesFor("á", hostLanguage("es-ES")).strokes[0]).toEqual({ usage: usageOf("Quote"), modifiers: 0 });
  });
});
