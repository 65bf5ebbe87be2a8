/** Characters that no label needs and that break drawings, tables and sources: controls but for line feed and tab. */
// eslint-disable-next-line no-control-regex -- control characters are what it is about
const CONTROLS = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u2028\u2029\ufffe\uffff]/;
const ALL_CONTROLS = new RegExp(CONTROLS.source, "g");
/** A half of a surrogate pair without the other: no UTF-8 can say it. */
const LONE = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;
const ALL_LONE = new RegExp(LONE.source, "g");

export const isClean = (text: string): boolean => !CONTROLS.test(text) && !LONE.test(text);

/** The text without what cannot be printed: controls become spaces, half characters the replacement sign. */
export const cleaned = (text: string): string =>
  isClean(text) ? text : text.replace(ALL_CONTROLS, " ").replace(ALL_LONE, "\ufffd");

/** All texts within a value from outside cleaned; what is clean already stays the same object. */
export function cleanedWithin(value: unknown): unknown {
  if (typeof value === "string") return cleaned(value);
  if (Array.isArray(value)) {
    const entries = value.map(cleanedWithin);
    return entries.every((entry, nth) => entry === value[nth]) ? value : entries;
  }
  if (typeof value !== "object" || value === null) return value;
  const entries = Object.entries(value).map(([key, entry]): [string, unknown] => [key, cleanedWithin(entry)]);
  const isSame = entries.every(([key, entry]) => entry === (value as Record<string, unknown>)[key]);
  return isSame ? value : Object.fromEntries(entries);
}
