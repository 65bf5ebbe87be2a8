import type { LanguageId } from "./ids";

/** The form that keyboards of a language usually have where it is at home. */
export interface PhysicalForm {
  /** The tall Enter over two rows; else the wide one. */
  tallEnter: boolean;
  /** A key between left Shift and the first letter of its row. */
  extraKey: boolean;
}

/** Languages at home on the form with a wide Enter and no extra key; the others have both (from memory). */
const WIDE_ENTER: ReadonlySet<LanguageId> = new Set([
  "en-US",
  "en-US-dead",
  "nl-NL",
  "pl-PL",
  "bg-BG",
  "ru-RU",
  "uk-UA",
  "be-BY",
  "kk-KZ",
  "ka-GE",
  "hy-AM",
  "he-IL",
]);

export function physicalFormOf(id: LanguageId): PhysicalForm {
  const isNational = !WIDE_ENTER.has(id);
  return { tallEnter: isNational, extraKey: isNational };
}
