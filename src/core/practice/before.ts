import type { Design } from "../document/schema";
import type { Finger } from "../document/reachSettings";
import { fingersOf } from "../reach/reach";
import { guessHomes } from "../reach/homes";
import { usEnglish } from "../languages/usEnglish";
import { deedOf, type HostLanguage } from "../languages/hostLanguage";
import { waysOf } from "./ways";

/** Where a sign lies under the hand: which finger, and how far from where it rests, in mm; which keys are held along. */
export interface UnderHand {
  finger: Finger | null;
  acrossMm: number;
  downMm: number;
  held: number;
  layer: number;
}

/** What the hands know already, by sign. */
export type Known = ReadonlyMap<string, UnderHand>;

/** Where people who learnt on another device of this design, or on this one before a change, find each sign. */
export function underHandOf(design: Design, language: HostLanguage): Map<string, UnderHand> {
  const rested =
    design.reach.homes.length > 0 ? design : { ...design, reach: { ...design.reach, homes: guessHomes(design) } };
  const fingerOf = fingersOf(rested);
  const at = new Map(design.controls.map(({ id, placement }) => [id, placement]));
  const home = new Map(rested.reach.homes.map(({ finger, controlId }) => [finger, at.get(controlId)]));
  return new Map(
    [...waysOf(design, language)].map(([sign, { controlId, heldIds, layer }]) => {
      const finger = fingerOf.get(controlId) ?? null;
      const rest = finger && home.get(finger);
      const place = at.get(controlId)!;
      return [
        sign,
        {
          finger,
          acrossMm: rest ? place.xMm - rest.xMm : place.xMm,
          downMm: rest ? place.yMm - rest.yMm : place.yMm,
          held: heldIds.length,
          layer,
        },
      ];
    }),
  );
}

const UNIT_MM = 19.05;

/**
 * The usual office keyboard in the hand, from its standard: rows E to B of ISO/IEC 9995-2, each key a unit of 19.05 mm wide, rows set off to the
 * right by a half, three quarters and five quarters of a unit (common practice), by HID usage.
 */
const ROWS: { offset: number; usages: number[] }[] = [
  { offset: 0, usages: [0x35, 0x1e, 0x1f, 0x20, 0x21, 0x22, 0x23, 0x24, 0x25, 0x26, 0x27, 0x2d, 0x2e] },
  { offset: 1.5, usages: [0x14, 0x1a, 0x08, 0x15, 0x17, 0x1c, 0x18, 0x0c, 0x12, 0x13, 0x2f, 0x30, 0x31] },
  { offset: 1.75, usages: [0x04, 0x16, 0x07, 0x09, 0x0a, 0x0b, 0x0d, 0x0e, 0x0f, 0x33, 0x34] },
  { offset: 2.25, usages: [0x1d, 0x1b, 0x06, 0x19, 0x05, 0x11, 0x10, 0x36, 0x37, 0x38] },
];

/** Columns that a finger takes as typing is taught (common practice), counted from the left of each row; the digits' row is one further. */
const TAUGHT: Finger[] = [
  "left little",
  "left ring",
  "left middle",
  "left index",
  "left index",
  "right index",
  "right index",
  "right middle",
  "right ring",
  "right little",
];

/** In each of these columns of the home row the finger rests. */
const RESTING_COLUMN: Partial<Record<Finger, number>> = {
  "left little": 0,
  "left ring": 1,
  "left middle": 2,
  "left index": 3,
  "right index": 6,
  "right middle": 7,
  "right ring": 8,
  "right little": 9,
};

/** What somebody knows who has typed with ten fingers on the usual office keyboard set to a language. */
export function officeKeyboard(language: HostLanguage = usEnglish): Map<string, UnderHand> {
  const known = new Map<string, UnderHand>();
  ROWS.forEach(({ offset, usages }, row) =>
    usages.forEach((usage, column) => {
      const finger = TAUGHT[Math.max(0, Math.min(TAUGHT.length - 1, row === 0 ? column - 1 : column))];
      const rest = RESTING_COLUMN[finger]! + ROWS[2].offset;
      const under = { finger, acrossMm: (column + offset - rest) * UNIT_MM, downMm: (row - 2) * UNIT_MM, layer: 0 };
      const [plain, shifted] = [deedOf(language, usage, 0), deedOf(language, usage, 2)];
      if (shifted && !known.has(shifted)) known.set(shifted, { ...under, held: 1 });
      if (plain) known.set(plain, { ...under, held: 0 });
    }),
  );
  known.set(" ", { finger: "right thumb", acrossMm: 0, downMm: 0, held: 0, layer: 0 });
  return known;
}
