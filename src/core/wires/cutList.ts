import type { Wire } from "./wires";

/** Wires of one colour, cross-section and length. */
export interface CutLine {
  colour: string;
  mm2: number;
  cutMm: number;
  count: number;
}

/** What to cut before the work: alike wires together, the longest first, so that rests serve for short ones. */
export function cutList(wires: Wire[]): CutLine[] {
  const lines = new Map<string, CutLine>();
  for (const { colour, mm2, cutMm } of wires) {
    const key = `${colour} ${mm2} ${cutMm}`;
    const line = lines.get(key) ?? { colour, mm2, cutMm, count: 0 };
    lines.set(key, { ...line, count: line.count + 1 });
  }
  return [...lines.values()].sort((a, b) => a.colour.localeCompare(b.colour) || b.mm2 - a.mm2 || b.cutMm - a.cutMm);
}

/** Metres of each colour and cross-section, for buying. */
export function metresOf(lines: CutLine[]): { colour: string; mm2: number; metres: number }[] {
  const sums = new Map<string, { colour: string; mm2: number; metres: number }>();
  for (const { colour, mm2, cutMm, count } of lines) {
    const key = `${colour} ${mm2}`;
    const sum = sums.get(key) ?? { colour, mm2, metres: 0 };
    sums.set(key, { ...sum, metres: sum.metres + (cutMm * count) / 1000 });
  }
  return [...sums.values()];
}
