import type { Box } from "../geometry/outline";
import { type Point, distanceMm, point } from "../geometry/point";
import { crosses } from "../geometry/segment";

/** Words on a drawing and where their middle may lie, the best place first. */
export interface Label {
  words: string;
  sizeMm: number;
  places: Point[];
}

export interface PlacedLabel {
  words: string;
  sizeMm: number;
  at: Point;
}

export interface Segment {
  from: Point;
  to: Point;
}

/** Mean width of a letter in text heights, for a plain sans-serif face (from memory). */
const LETTER = 0.56;

export const wordsWidthMm = ({ words, sizeMm }: Pick<Label, "words" | "sizeMm">): number =>
  Math.max(1, words.length) * LETTER * sizeMm;

function boxAt(label: Label, at: Point): Box {
  const [half, up] = [wordsWidthMm(label) / 2 + 0.3, label.sizeMm / 2 + 0.2];
  return { minXMm: at.xMm - half, minYMm: at.yMm - up, maxXMm: at.xMm + half, maxYMm: at.yMm + up };
}

const isIn = ({ xMm, yMm }: Point, box: Box) =>
  xMm > box.minXMm && xMm < box.maxXMm && yMm > box.minYMm && yMm < box.maxYMm;

function runsThrough({ from, to }: Segment, box: Box): boolean {
  if (Math.max(from.xMm, to.xMm) < box.minXMm || Math.min(from.xMm, to.xMm) > box.maxXMm) return false;
  if (Math.max(from.yMm, to.yMm) < box.minYMm || Math.min(from.yMm, to.yMm) > box.maxYMm) return false;
  if (isIn(from, box) || isIn(to, box)) return true;
  const [a, c] = [point(box.minXMm, box.minYMm), point(box.maxXMm, box.maxYMm)];
  const [b, d] = [point(box.maxXMm, box.minYMm), point(box.minXMm, box.maxYMm)];
  return crosses(from, to, a, c) || crosses(from, to, b, d);
}

function sharedMm2(a: Box, b: Box): number {
  const width = Math.min(a.maxXMm, b.maxXMm) - Math.max(a.minXMm, b.minXMm);
  const height = Math.min(a.maxYMm, b.maxYMm) - Math.max(a.minYMm, b.minYMm);
  return width > 0 && height > 0 ? width * height : 0;
}

/** A wire beneath words is bad, words on words are worse; a later place is a little worse than an earlier one. */
const WIRE = 10;
const WORDS_PER_MM2 = 8;
const LATER = 0.4;

/** Cells of the plane with what lies in them, so that a label is held against its neighbours only. */
class Neighbours<T> {
  private readonly cells = new Map<string, Set<T>>();
  private static readonly CELL_MM = 20;

  private *keys({ minXMm, minYMm, maxXMm, maxYMm }: Box) {
    const cell = (mm: number) => Math.floor(mm / Neighbours.CELL_MM);
    for (let x = cell(minXMm); x <= cell(maxXMm); x++)
      for (let y = cell(minYMm); y <= cell(maxYMm); y++) yield `${x} ${y}`;
  }

  add(box: Box, thing: T): void {
    for (const key of this.keys(box)) {
      const there = this.cells.get(key);
      if (there) there.add(thing);
      else this.cells.set(key, new Set([thing]));
    }
  }

  near(box: Box): Set<T> {
    const found = new Set<T>();
    for (const key of this.keys(box)) for (const thing of this.cells.get(key) ?? []) found.add(thing);
    return found;
  }
}

const boxOfSegment = ({ from, to }: Segment): Box => ({
  minXMm: Math.min(from.xMm, to.xMm),
  minYMm: Math.min(from.yMm, to.yMm),
  maxXMm: Math.max(from.xMm, to.xMm),
  maxYMm: Math.max(from.yMm, to.yMm),
});

/** Places labels one after the other where they lie least on wires and on each other. */
export function placeLabels(labels: Label[], wires: Segment[], taken: Box[] = []): PlacedLabel[] {
  const lines = new Neighbours<Segment>();
  for (const wire of wires.filter(({ from, to }) => distanceMm(from, to) > 0)) lines.add(boxOfSegment(wire), wire);
  const boxes = new Neighbours<Box>();
  for (const box of taken) boxes.add(box, box);
  return labels.map((label) => {
    const scored = label.places.map((at, nth) => {
      const box = boxAt(label, at);
      const through = [...lines.near(box)].filter((wire) => runsThrough(wire, box)).length;
      const over = [...boxes.near(box)].reduce((sum, other) => sum + sharedMm2(box, other), 0);
      return { at, box, score: WIRE * through + WORDS_PER_MM2 * over + LATER * nth };
    });
    const best = scored.reduce((least, one) => (one.score < least.score ? one : least));
    boxes.add(best.box, best.box);
    return { words: label.words, sizeMm: label.sizeMm, at: best.at };
  });
}
