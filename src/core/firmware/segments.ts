import { SEGMENT_DO } from "../contract/segments";
import type { SegmentShow } from "../document/segmentShows";
import type { Design } from "../document/schema";
import { textPatterns } from "../keymap/segmentSigns";
import { type ScanTable, type SegmentChainScan } from "./scanTable";
import { topOf, valueAt } from "./shownStates";

type Shown = SegmentChainScan["shown"][number];

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

/** All displays, chain by chain. */
export const displaysOf = ({ segmentChains }: Pick<ScanTable, "segmentChains">): Shown[] =>
  segmentChains.flatMap(({ shown }) => shown);

export const driversOf = ({ segmentChains }: Pick<ScanTable, "segmentChains">): number =>
  segmentChains.reduce((sum, { drivers }) => sum + drivers, 0);

export const startCount = ({ segmentChains }: Pick<ScanTable, "segmentChains">): number =>
  segmentChains.reduce((sum, { start }) => sum + start.length, 0);

export const segmentChainBytes = ({ segmentChains }: ScanTable): number[] =>
  segmentChains.map(({ drivers }) => drivers);

export const segmentStartBytes = ({ segmentChains }: ScanTable): number[] =>
  segmentChains.flatMap(({ start }, chain) => start.flatMap(({ register, value }) => [chain, register, value]));

export const segmentTableBytes = ({ segmentChains }: ScanTable): number[] =>
  segmentChains.flatMap(({ shown }, chain) => shown.flatMap(({ driver, digits }) => [chain, driver, digits]));

/** Digits of a text from the right, as many as the display has; what is too long loses its end. */
export function textDigits(text: string, digits: number): number[] {
  const fit = textPatterns(text).slice(0, digits);
  const room = new Array<number>(digits - fit.length).fill(0);
  return [...fit, ...room].reverse();
}

const showOf = ({ segments = {} }: Design["keymap"]["layers"][number], controlId: string): SegmentShow | null =>
  Object.hasOwn(segments, controlId) ? segments[controlId] : null;

const entry = (does: number, of = 0, low = 0, high = 0, top = 1, point = 0) => [
  ...[does, of],
  ...word(low),
  ...word(high),
  ...[top, point],
];

/** What every display shows on every layer, and the texts that are shown, equal ones once. */
export function segmentUses(scan: ScanTable, design: Design): { uses: number[]; texts: number[] } {
  const texts: number[] = [];
  const places = new Map<string, number>();
  const placeOf = (digits: number[]) => {
    const key = digits.join(" ");
    if (!places.has(key)) {
      places.set(key, texts.length);
      texts.push(...digits);
    }
    return places.get(key)!;
  };
  const of = (show: SegmentShow | null, { digits }: Shown) => {
    if (show === null) return entry(SEGMENT_DO.PASS);
    if (show.shows === "text") return entry(SEGMENT_DO.TEXT, 0, placeOf(textDigits(show.text, digits)));
    const value = show.shows === "value" ? valueAt(scan, show.elementId) : -1;
    if (show.shows !== "value" || value < 0) return entry(SEGMENT_DO.DARK);
    return entry(SEGMENT_DO.VALUE, value, show.low, show.high, Math.max(1, topOf(design, show.elementId)), show.point);
  };
  const displays = displaysOf(scan);
  const uses = design.keymap.layers.flatMap((layer) =>
    displays.flatMap((display) => of(showOf(layer, display.controlId), display)),
  );
  return { uses, texts };
}
