import { type Drawing, type Spot, HALF, empty, textOf, textWidth, together } from "./drawing";
import { labelAt } from "./labels";
import { type Bodied, bodied } from "./symbols";
import type { Unit, UnitEnd } from "./units";

/** From one end to the next. */
const PITCH_MM = 5;
const LEAD_MM = 6;
const LEAST_WIDTH_MM = 22;
/** Most ends on one side, so that a sheet holds the box. */
const MOST_ROWS = 30;
/** Longest names inside a box. */
const END_MM = 26;

/** A connector's post. */
const POST_RADIUS = 0.9;

const endText = ({ name }: UnitEnd, at: Spot, anchor: "start" | "end") => textOf("end", name, at, anchor, END_MM);

function lead(unit: Unit, end: UnitEnd, edgeX: number, y: number): Drawing {
  const sign = end.side === "left" ? -1 : 1;
  const outer: Spot = [edgeX + sign * LEAD_MM, y];
  const number = textOf("number", String(end.number), [edgeX + sign * LEAD_MM * 0.5, y - 0.5], "middle", LEAD_MM - 1);
  return together([
    {
      ...empty(),
      leads: [{ part: unit.part, end: end.name, number: end.number, points: [[edgeX, y], outer] }],
      texts: [number],
    },
    labelAt(end.net, outer, end.side),
  ]);
}

const rectangle = (left: number, top: number, right: number, bottom: number): Drawing => ({
  ...empty(),
  lines: [
    {
      role: "symbol",
      closed: true,
      points: [
        [left, top],
        [right, top],
        [right, bottom],
        [left, bottom],
      ],
    },
  ],
});

/** What stands over a box. */
const heading = ({ part, note }: Unit, suffix: string): Drawing => ({
  ...empty(),
  texts: [
    ...(note === "" ? [] : [textOf("note", note, [0, -1.2], "start")]),
    textOf("part", `${part}${suffix}`, [0, note === "" ? -1.2 : -4.2], "start"),
  ],
});

const widest = (ends: UnitEnd[]) => Math.max(0, ...ends.map((end) => textWidth(endText(end, [0, 0], "start"))));

/** One box with its ends on both sides. */
function piece(unit: Unit, left: UnitEnd[], right: UnitEnd[], suffix: string): Drawing {
  const width = Math.max(LEAST_WIDTH_MM, widest(left) + widest(right) + 6);
  const height = Math.max(left.length, right.length) * PITCH_MM;
  const side = (ends: UnitEnd[], edgeX: number, textX: number, anchor: "start" | "end") =>
    ends.map((end, nth) => {
      const y = (nth + 0.5) * PITCH_MM;
      return together([
        lead(unit, end, edgeX, y),
        { ...empty(), texts: [endText(end, [textX, y + HALF * 2], anchor)] },
      ]);
    });
  return together([
    rectangle(0, 0, width, height),
    heading(unit, suffix),
    ...side(left, 0, 1.5, "start"),
    ...side(right, width, width - 1.5, "end"),
  ]);
}

/** A box, in several pieces where it has more ends than a sheet is high. */
function boxDrawings(unit: Unit): Drawing[] {
  const left = unit.ends.filter(({ side }) => side === "left");
  const right = unit.ends.filter(({ side }) => side === "right");
  const count = Math.max(1, Math.ceil(Math.max(left.length, right.length) / MOST_ROWS));
  return Array.from({ length: count }, (_, nth) => {
    const cut = (all: UnitEnd[]) => all.slice(nth * MOST_ROWS, (nth + 1) * MOST_ROWS);
    return piece(unit, cut(left), cut(right), count === 1 ? "" : ` (${nth + 1} of ${count})`);
  });
}

/** Posts of a connector, one under another. */
function postsDrawing(unit: Unit): Drawing {
  const width = widest(unit.ends) + 6;
  return together([
    rectangle(0, 0, width, unit.ends.length * PITCH_MM),
    heading(unit, ""),
    ...unit.ends.map((end, nth) => {
      const y = (nth + 0.5) * PITCH_MM;
      const post = { at: [width - 1.6, y] as Spot, radius: POST_RADIUS };
      const texts = [endText(end, [width - 3.5, y + HALF * 2], "end")];
      return together([lead(unit, end, width, y), { ...empty(), circles: [post], texts }]);
    }),
  ]);
}

/** A symbol of three ends whose leads go in their own directions. */
function bodiedDrawing(unit: Unit, { body, leads, nameAt, nameAnchor }: Bodied): Drawing {
  const [x, y] = nameAt;
  const texts = [
    textOf("part", unit.part, nameAt, nameAnchor),
    textOf("note", unit.note, [x, y + 2.8], nameAnchor),
  ].filter(({ text }) => text !== "");
  const ends = leads.map(({ from, to, direction }, nth) => {
    const { name, number, net } = unit.ends[nth];
    const own = { ...empty(), leads: [{ part: unit.part, end: name, number, points: [from, to] }] };
    return together([own, labelAt(net, to, direction)]);
  });
  return together([body, { ...empty(), texts }, ...ends]);
}

/** A unit of three or more ends. */
export function manyEnded(unit: Unit): Drawing[] {
  if (unit.symbol === "posts") return [postsDrawing(unit)];
  const symbol = bodied(unit);
  return symbol ? [bodiedDrawing(unit, symbol)] : boxDrawings(unit);
}
