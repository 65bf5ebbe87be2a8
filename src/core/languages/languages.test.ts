import { describe, expect, it } from "vitest";
import { keyboardUsages } from "../hid/keyboardUsages";
import { deedOf } from "./hostLanguage";
import { languageIds } from "./ids";
import { hostLanguage } from "./languages";
import { physicalFormOf } from "./physicalForm";
import { charactersOf, strokesFor } from "./strokes";
import { Typist } from "./typist";
import { usEnglish } from "./usEnglish";
import { usagesTyping } from "./usagesTyping";

const usage = (code: string) => keyboardUsages.find((one) => one.code === code)!.usage;
const SHIFT = 2;
const THIRD = 0x40;

/** What a computer makes of keystrokes. */
function typed(id: (typeof languageIds)[number], ...keys: [code: string, modifiers?: number][]): (string | null)[] {
  const typist = new Typist(hostLanguage(id));
  return keys.map(([code, modifiers = 0]) => typist.press(usage(code), modifiers));
}

describe("the form of a language's keyboards", () => {
  it("is the tall Enter and the extra key, or neither", () => {
    // ISO/IEC 9995-2: the key B00 beside left Shift belongs to the form with the tall Enter.
    for (const id of languageIds) {
      const { tallEnter, extraKey } = physicalFormOf(id);
      expect(tallEnter).toBe(extraKey);
    }
    expect(physicalFormOf("de-DE")).toEqual({ tallEnter: true, extraKey: true });
    expect(physicalFormOf("en-US")).toEqual({ tallEnter: false, extraKey: false });
  });
});

describe("keyboard languages", () => {
  it("are the same for US English with and without its table", () => {
    const table = hostLanguage("en-US");
    for (const { usage: key } of keyboardUsages)
      for (const modifiers of [0, SHIFT, 0x20])
        for (const capsLock of [false, true])
          expect(deedOf(usEnglish, key, modifiers, capsLock), `${key} ${modifiers}`).toBe(
            deedOf(table, key, modifiers, capsLock),
          );
  });

  it.each(languageIds)("%s: what is typed is what was meant, for every character", (id) => {
    const language = hostLanguage(id);
    for (const [character, strokes] of charactersOf(language)) {
      const typist = new Typist(language);
      const made = strokes.map((stroke) => typist.press(stroke.usage, stroke.modifiers)).join("");
      expect(made).toBe(character);
      expect(typist.waits).toBeNull();
    }
  });

  it("let a dead key wait for its letter, and drop both where they do not go together", () => {
    expect(typed("de-DE", ["Equal"], ["KeyE"])).toEqual(["", "é"]);
    expect(typed("de-DE", ["Equal"], ["KeyX"], ["KeyX"])).toEqual(["", "", "x"]);
    expect(typed("de-DE", ["Equal"], ["Space"])).toEqual(["", "'"]);
    const typist = new Typist(hostLanguage("de-DE"));
    typist.press(usage("Equal"), 0);
    expect(typist.waits).toBe("acute");
    // A shortcut in between is no letter: the accent goes on waiting.
    expect(typist.press(usage("KeyC"), 1)).toBeNull();
    expect(typist.press(usage("KeyA"), 0)).toBe("á");
  });

  it("reach the third level with Right Alt where there is one, and there only", () => {
    expect(typed("de-DE", ["KeyQ", THIRD])).toEqual(["@"]);
    expect(typed("en-US", ["KeyQ", THIRD])).toEqual([null]);
    expect(typed("de-DE", ["KeyQ", 4])).toEqual([null]);
  });

  it("give the shortest keystrokes for a text, and name what cannot be typed", () => {
    const german = hostLanguage("de-DE");
    expect(strokesFor("zY", german).strokes).toEqual([
      { usage: usage("KeyY"), modifiers: 0 },
      { usage: usage("KeyZ"), modifiers: SHIFT },
    ]);
    expect(strokesFor("a\r\nb\rc\n", german).strokes.map((stroke) => stroke.usage)).toEqual([
      4, 0x28, 5, 0x28, 6, 0x28,
    ]);
    expect(strokesFor("日a本", german)).toEqual({ strokes: [{ usage: 4, modifiers: 0 }], missing: ["日", "本"] });
    expect(strokesFor("e\u0301", german)).toEqual(strokesFor("é", german));
    expect(strokesFor("ñ", usEnglish).missing).toEqual(["ñ"]);
    // As many signs as the texts of a macro can hold, at once.
    expect(strokesFor("J\u0301x".repeat(200_000), hostLanguage("en-US-dead")).strokes).toHaveLength(600_000);
    expect(strokesFor("constructor __proto__", usEnglish).missing).toEqual([]);
  });

  it("are searched by what a key types", () => {
    expect(usagesTyping("ü", hostLanguage("de-DE"))).toEqual([
      { page: "keyboard", usage: usage("BracketLeft"), modifiers: 0, name: "types ü: [" },
    ]);
    expect(usagesTyping("@", hostLanguage("de-DE"))[0]).toMatchObject({ usage: usage("KeyQ"), modifiers: THIRD });
    expect(usagesTyping("ê", hostLanguage("fr-FR"))).toEqual([]);
    expect(usagesTyping("ab", usEnglish)).toEqual([]);
    expect(usagesTyping("", usEnglish)).toEqual([]);
  });
});
