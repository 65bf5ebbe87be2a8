import { keyboardUsages } from "../hid/keyboardUsages";
import type { HostLanguage } from "./hostLanguage";

const isLetter = (usage: number) => usage >= 0x04 && usage <= 0x1d;

/** What most computers are sold with: it comes with the names of the usages, without a table of its own. */
export const usEnglish: HostLanguage = {
  id: "en-US",
  third: false,
  deadKeys: {},
  keys: new Map(
    keyboardUsages.flatMap(({ usage, code, types }) =>
      types ? [[usage, { deeds: code === "Tab" ? ["\t"] : types, heedsCaps: isLetter(usage) }] as const] : [],
    ),
  ),
};
