import fc from "fast-check";
import { readExample } from "./examples";

/** Forty keys that play, two octaves of them twice, on three channels. @param first lines that stand before them */
export const manyNotes = (...first: string[]) =>
  readExample(
    [
      ...first,
      ...Array.from({ length: 40 }, (_, nth) => `key K${nth}: note ${40 + (nth % 24)} ${nth + 1} ${1 + (nth % 3)}`),
      "debounce 0",
      "at 0 press K0",
    ].join("\n"),
  ).design;

/** Which key is pressed or let go, and after how many milliseconds; 40 to 45 are left to the test. */
export const noteUses = (most: number) =>
  fc.array(fc.tuple(fc.integer({ min: 0, max: 45 }), fc.integer({ min: 0, max: 6 })), {
    minLength: 1,
    maxLength: most,
  });
