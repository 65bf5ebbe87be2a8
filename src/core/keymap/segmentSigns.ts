import { SEGMENT_DIGITS, SEGMENT_MINUS, SEGMENT_POINT } from "../contract/segments";

/** Signs that seven segments can show, by their letters in either case (common practice). */
const SIGNS: Record<string, number> = {
  " ": 0,
  "-": SEGMENT_MINUS,
  _: 0x08,
  "=": 0x09,
  "°": 0x63,
  a: 0x77,
  b: 0x1f,
  c: 0x4e,
  d: 0x3d,
  e: 0x4f,
  f: 0x47,
  g: 0x5e,
  h: 0x37,
  i: 0x30,
  j: 0x3c,
  l: 0x0e,
  n: 0x15,
  o: 0x1d,
  p: 0x67,
  q: 0x73,
  r: 0x05,
  s: 0x5b,
  t: 0x0f,
  u: 0x3e,
  y: 0x3b,
};

const patternOf = (sign: string): number | undefined => {
  if (/^\d$/.test(sign)) return SEGMENT_DIGITS[Number(sign)];
  const small = sign.toLowerCase();
  return Object.hasOwn(SIGNS, small) ? SIGNS[small] : undefined;
};

/** Signs of a text that seven segments cannot show, each once. */
export const unshownSigns = (text: string): string[] =>
  [...new Set(text)].filter((sign) => sign !== "." && sign !== "," && patternOf(sign) === undefined);

/** What each digit shows, from the left: a point lies beside the digit before it. What cannot be shown is dark. */
export function textPatterns(text: string): number[] {
  const patterns: number[] = [];
  for (const sign of text) {
    const isPoint = sign === "." || sign === ",";
    const last = patterns.at(-1);
    if (isPoint && last !== undefined && !(last & SEGMENT_POINT)) patterns[patterns.length - 1] = last | SEGMENT_POINT;
    else patterns.push(isPoint ? SEGMENT_POINT : (patternOf(sign) ?? 0));
  }
  return patterns;
}

const signOf = new Map<number, string>([
  ...SEGMENT_DIGITS.map((pattern, figure): [number, string] => [pattern, String(figure)]),
  ...Object.entries(SIGNS)
    .map(([sign, pattern]): [number, string] => [pattern, sign])
    .filter(([pattern]) => !(SEGMENT_DIGITS as readonly number[]).includes(pattern)),
]);

/** What patterns say, from the left; a digit that is no sign is "?". */
export const patternWords = (patterns: readonly number[]): string =>
  patterns
    .map((pattern) => (signOf.get(pattern & ~SEGMENT_POINT) ?? "?") + (pattern & SEGMENT_POINT ? "." : ""))
    .join("")
    .trim();

/** Digits that a text takes. */
export const digitsOfText = (text: string): number => textPatterns(text).length;

/** Digits that a number takes: its sign, and at least one before the point. */
export const digitsOfNumber = (number: number, point: number): number =>
  Math.max(String(Math.abs(number)).length, point + 1) + (number < 0 ? 1 : 0);
