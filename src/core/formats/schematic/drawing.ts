/** A place on a sheet in mm: x to the right, y downwards. */
export type Spot = [x: number, y: number];

/** What a line is on the drawing: part of a symbol, a wire, the sign of ground, the cross of an open end, the frame. */
export type LineRole = "symbol" | "wire" | "ground" | "open" | "frame";

export interface Line {
  role: LineRole;
  points: Spot[];
  /** Drawn back to its beginning, and filled where it is an arrow's head. */
  closed?: true;
  filled?: true;
  dashed?: true;
}

export interface Circle {
  at: Spot;
  radius: number;
  /** The dot of a junction. */
  filled?: true;
}

export type TextRole = "net" | "part" | "note" | "end" | "number" | "mark" | "title";

/** `at` is on the base line. */
export interface Text {
  role: TextRole;
  at: Spot;
  anchor: "start" | "middle" | "end";
  text: string;
  size: number;
}

/** From a symbol outwards; the last point is where wires begin. */
export interface Lead {
  part: string;
  end: string;
  number: number;
  points: Spot[];
}

export interface Drawing {
  lines: Line[];
  circles: Circle[];
  texts: Text[];
  leads: Lead[];
}

export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export const empty = (): Drawing => ({ lines: [], circles: [], texts: [], leads: [] });

export const together = (all: Drawing[]): Drawing => ({
  lines: all.flatMap(({ lines }) => lines),
  circles: all.flatMap(({ circles }) => circles),
  texts: all.flatMap(({ texts }) => texts),
  leads: all.flatMap(({ leads }) => leads),
});

type Move = (spot: Spot) => Spot;

const moved = (drawing: Drawing, move: Move): Drawing => ({
  lines: drawing.lines.map((line) => ({ ...line, points: line.points.map(move) })),
  circles: drawing.circles.map((circle) => ({ ...circle, at: move(circle.at) })),
  texts: drawing.texts.map((text) => ({ ...text, at: move(text.at) })),
  leads: drawing.leads.map((lead) => ({ ...lead, points: lead.points.map(move) })),
});

export const shifted = (drawing: Drawing, byX: number, byY: number): Drawing =>
  moved(drawing, ([x, y]) => [x + byX, y + byY]);

/** What lay along x from left to right runs from top to bottom; for drawings without texts of width. */
export const upright = (drawing: Drawing): Drawing => moved(drawing, ([x, y]) => [-y, x]);

/** Left and right changed, about the middle of a length. */
export const flipped = (drawing: Drawing, length: number): Drawing => moved(drawing, ([x, y]) => [length - x, y]);

/** Advance of a sign in a typeface of one pitch, as share of its size (common practice: 0.6). */
const PITCH = 0.6;
/** Signs of Asian scripts and pictures take two places (Unicode Standard Annex 11, in the main). */
const WIDE = /[\u1100-\u115f\u2e80-\ua4cf\uac00-\ud7a3\uf900-\ufaff\ufe30-\ufe6f\uff00-\uff60\u{1f000}-\u{3fffd}]/u;

const places = (text: string) => [...text].reduce((sum, sign) => sum + (WIDE.test(sign) ? 2 : 1), 0);

/** Width of a text in mm; the file states it with each text, so that any typeface keeps to it. */
export const textWidth = ({ text, size }: Pick<Text, "text" | "size">): number => places(text) * size * PITCH;

/** Height of signs above and below the base line, as share of the size. */
const ABOVE = 0.8;
const BELOW = 0.25;
/** From the base line down to where a text looks centred on a wire. */
export const HALF = 0.35;

export function textBox(text: Text): Box {
  const width = textWidth(text);
  const [x, y] = text.at;
  const left = x - { start: 0, middle: width / 2, end: width }[text.anchor];
  return { left, top: y - ABOVE * text.size, right: left + width, bottom: y + BELOW * text.size };
}

const SIZES: Record<TextRole, number> = { net: 2.5, part: 2.3, note: 2.1, end: 2, number: 1.6, mark: 2.3, title: 3.2 };
/** Longer texts are set smaller. */
const LONGEST_MM = 62;

/** A text in the size of its role, or as small as it must be to stay within its longest. */
export function textOf(role: TextRole, text: string, at: Spot, anchor: Text["anchor"], longestMm = LONGEST_MM): Text {
  const usual = { role, text, at, anchor, size: SIZES[role] };
  const width = textWidth(usual);
  return width <= longestMm ? usual : { ...usual, size: (usual.size * longestMm) / width };
}

/** The room that a drawing takes. */
export function boxOf({ lines, circles, texts, leads }: Drawing): Box {
  const spots = [...lines, ...leads].flatMap(({ points }) => points);
  const rounds = circles.map(({ at: [x, y], radius: r }): Box => ({
    left: x - r,
    top: y - r,
    right: x + r,
    bottom: y + r,
  }));
  const boxes = [
    ...spots.map(([x, y]): Box => ({ left: x, top: y, right: x, bottom: y })),
    ...rounds,
    ...texts.map(textBox),
  ];
  return boxes.reduce(
    (all, one) => ({
      left: Math.min(all.left, one.left),
      top: Math.min(all.top, one.top),
      right: Math.max(all.right, one.right),
      bottom: Math.max(all.bottom, one.bottom),
    }),
    { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity },
  );
}
