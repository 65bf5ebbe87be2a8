import { type Drawing, type Line, type Spot, HALF, empty, textOf } from "./drawing";
import type { Unit } from "./units";

/**
 * Symbols of two ends, along x from the first end at 0 to the second at `LENGTH`. In form after IEC 60617 (from memory:
 * make contact with push actuator 07-07-02, diode 05-03-01 and its light-giving kind 05-03-02, resistor 04-01-01,
 * fuse 07-21-01, motor 06-04-01, sounder 08-10-10), drawn by ourselves.
 */
export const LENGTH = 13;
const FROM = 4;
const TO = 9;
const MIDDLE = (FROM + TO) / 2;

const line = (points: Spot[], more: Partial<Line> = {}): Line => ({ role: "symbol", points, ...more });

const rectangle = (left: number, top: number, right: number, bottom: number): Line =>
  line(
    [
      [left, top],
      [right, top],
      [right, bottom],
      [left, bottom],
    ],
    { closed: true },
  );

/** A head whose tip lies at a spot and which points along a direction of length one. */
export function arrowHead([x, y]: Spot, [dx, dy]: Spot, size = 1.2): Line {
  const back: Spot = [x - dx * size, y - dy * size];
  const half = size * 0.35;
  return line(
    [
      [x, y],
      [back[0] - dy * half, back[1] + dx * half],
      [back[0] + dy * half, back[1] - dx * half],
    ],
    {
      closed: true,
      filled: true,
    },
  );
}

const contact: Drawing = {
  ...empty(),
  lines: [
    line([
      [FROM, 0],
      [TO - 0.2, -1.9],
    ]),
    line([
      [MIDDLE, -1.2],
      [MIDDLE, -2.9],
    ]),
    line([
      [MIDDLE - 1.1, -2.2],
      [MIDDLE - 1.1, -2.9],
      [MIDDLE + 1.1, -2.9],
      [MIDDLE + 1.1, -2.2],
    ]),
  ],
  circles: [],
};

const HALF_DIODE = 1.6;
const diode: Drawing = {
  ...empty(),
  lines: [
    line([
      [FROM, 0],
      [MIDDLE - HALF_DIODE, 0],
    ]),
    line(
      [
        [MIDDLE - HALF_DIODE, -HALF_DIODE],
        [MIDDLE + HALF_DIODE, 0],
        [MIDDLE - HALF_DIODE, HALF_DIODE],
      ],
      { closed: true },
    ),
    line([
      [MIDDLE + HALF_DIODE, -HALF_DIODE],
      [MIDDLE + HALF_DIODE, HALF_DIODE],
    ]),
    line([
      [MIDDLE + HALF_DIODE, 0],
      [TO, 0],
    ]),
  ],
};

const ray = (x: number): Line[] => [
  line([
    [x, -1.7],
    [x + 1, -2.7],
  ]),
  arrowHead([x + 1.3, -3], [Math.SQRT1_2, -Math.SQRT1_2], 0.9),
];

const lamp: Drawing = { ...diode, lines: [...diode.lines, ...ray(MIDDLE + 0.1), ...ray(MIDDLE + 1.7)] };

const resistor: Drawing = { ...empty(), lines: [rectangle(FROM, -1, TO, 1)] };

const fuse: Drawing = {
  ...empty(),
  lines: [
    rectangle(FROM, -1, TO, 1),
    line([
      [FROM, 0],
      [TO, 0],
    ]),
  ],
};

const motor: Drawing = {
  ...empty(),
  circles: [{ at: [MIDDLE, 0], radius: (TO - FROM) / 2 }],
  texts: [textOf("mark", "M", [MIDDLE, HALF * 2.3], "middle")],
};

/** Half a disc over its two leads. */
const sounder: Drawing = {
  ...empty(),
  lines: [
    line(
      Array.from({ length: 13 }, (_, nth): Spot => {
        const angle = (Math.PI * nth) / 12;
        return [MIDDLE - 2.5 * Math.cos(angle), -2.5 * Math.sin(angle)];
      }),
      { closed: true },
    ),
  ],
};

const TWO_ENDED: Partial<Record<Unit["symbol"], Drawing>> = {
  switch: contact,
  lamp,
  diode,
  resistor,
  fuse,
  motor,
  sounder,
};

export const isTwoEnded = ({ symbol, ends }: Unit): boolean => ends.length === 2 && Object.hasOwn(TWO_ENDED, symbol);

/** A symbol of two ends with its leads. */
export function twoEnded(unit: Unit): Drawing {
  const [first, second] = unit.ends;
  const lead = ({ name, number }: typeof first, points: Spot[]) => ({ part: unit.part, end: name, number, points });
  return {
    ...TWO_ENDED[unit.symbol]!,
    leads: [
      lead(first, [
        [FROM, 0],
        [0, 0],
      ]),
      lead(second, [
        [TO, 0],
        [LENGTH, 0],
      ]),
    ],
  };
}

/** A body with leads that go in fixed directions, about its own centre. */
export interface Bodied {
  body: Drawing;
  /** In the order of the unit's ends. */
  leads: { from: Spot; to: Spot; direction: "left" | "right" | "up" | "down" }[];
  /** Where its name stands. */
  nameAt: Spot;
  nameAnchor: "start" | "end";
}

/** A resistor with a sliding contact (IEC 60617 04-01-07 in form): top, wiper, bottom. */
const track: Bodied = {
  body: { ...empty(), lines: [rectangle(-1, -3, 1, 3), arrowHead([1, 0], [-1, 0])] },
  leads: [
    { from: [0, -3], to: [0, -6], direction: "up" },
    { from: [2.2, 0], to: [6, 0], direction: "right" },
    { from: [0, 3], to: [0, 6], direction: "down" },
  ],
  nameAt: [-2.5, -0.6],
  nameAnchor: "end",
};

const BASE: Line = line([
  [-1.4, -2.4],
  [-1.4, 2.4],
]);
const slant = (sign: 1 | -1): Line =>
  line([
    [-1.4, sign * 1],
    [2, sign * 3],
  ]);

/** A bipolar transistor (05-05-01 in form): emitter, base, collector. */
const bipolar: Bodied = {
  body: {
    ...empty(),
    lines: [BASE, slant(1), slant(-1), arrowHead([1.4, 2.65], [0.86, 0.51])],
    circles: [{ at: [0.4, 0], radius: 3.6 }],
  },
  leads: [
    { from: [2, 3], to: [2, 7], direction: "down" },
    { from: [-1.4, 0], to: [-7, 0], direction: "left" },
    { from: [2, -3], to: [2, -7], direction: "up" },
  ],
  nameAt: [5.5, -0.6],
  nameAnchor: "start",
};

/** A field-effect transistor (05-05-13 in form): gate, drain, source. */
const fieldEffect: Bodied = {
  body: {
    ...empty(),
    lines: [
      BASE,
      line([
        [-0.6, -2.4],
        [-0.6, -1.2],
      ]),
      line([
        [-0.6, -0.6],
        [-0.6, 0.6],
      ]),
      line([
        [-0.6, 1.2],
        [-0.6, 2.4],
      ]),
      line([
        [-0.6, -1.8],
        [2, -1.8],
        [2, -3],
      ]),
      line([
        [-0.6, 1.8],
        [2, 1.8],
        [2, 3],
      ]),
      line([
        [0.6, 0],
        [2, 0],
        [2, 1.8],
      ]),
      arrowHead([-0.5, 0], [-1, 0], 1.1),
    ],
    circles: [{ at: [0.4, 0], radius: 3.6 }],
  },
  leads: [
    { from: [-1.4, 0], to: [-7, 0], direction: "left" },
    { from: [2, -3], to: [2, -7], direction: "up" },
    { from: [2, 3], to: [2, 7], direction: "down" },
  ],
  nameAt: [5.5, -0.6],
  nameAnchor: "start",
};

const BODIED: Partial<Record<Unit["symbol"], Bodied>> = { track, bipolar, "field-effect": fieldEffect };

/** Null for what is drawn otherwise. */
export const bodied = (unit: Unit): Bodied | null =>
  unit.ends.length === 3 && Object.hasOwn(BODIED, unit.symbol) ? BODIED[unit.symbol]! : null;
