import { GROUND } from "../../circuits/net";
import { type Drawing, type Spot, empty, flipped, shifted, textOf, textWidth, together, upright } from "./drawing";
import { hung } from "./hung";
import { labelAt } from "./labels";
import { type Branch, type Link, farNet, nearNet } from "./links";
import { LENGTH, twoEnded } from "./symbols";

const STUB_MM = 2;
/** Names stand above the symbol, values beneath it. */
const NAME_Y = -3.6;
const NOTE_Y = 4.1;

const symbolOf = ({ unit, against }: Link): Drawing => (against ? flipped(twoEnded(unit), LENGTH) : twoEnded(unit));

const wire = (points: Spot[]): Drawing => ({ ...empty(), lines: [{ role: "wire", points }] });

/** Where wires join. */
const dot = (at: Spot): Drawing => ({ ...empty(), circles: [{ at, radius: 0.5, filled: true }] });

/** One small part in a row of them: as wide as its texts need. */
function linkDrawing(link: Link, x: number): { drawing: Drawing; toX: number } {
  const name = textOf("part", link.unit.part, [0, NAME_Y], "middle");
  const note = textOf("note", link.unit.note, [0, NOTE_Y], "middle");
  const slot = Math.max(LENGTH, textWidth(name) + 1.5, textWidth(note) + 1.5);
  const middle = x + slot / 2;
  const start = middle - LENGTH / 2;
  const texts = [name, note]
    .filter(({ text }) => text !== "")
    .map((text) => ({ ...text, at: [middle, text.at[1]] as Spot }));
  const wires: Spot[][] = [
    [
      [x, 0],
      [start, 0],
    ],
    [
      [start + LENGTH, 0],
      [x + slot, 0],
    ],
  ];
  return {
    drawing: together([
      shifted(symbolOf(link), start, 0),
      { ...empty(), texts },
      ...wires.filter(([[a], [b]]) => b > a).map(wire),
    ]),
    toX: x + slot,
  };
}

/** Small parts in a row from 0 on, and where the row ends; no label. */
function rowOf(links: Link[]): { drawing: Drawing; toX: number } {
  const drawings: Drawing[] = [];
  let toX = 0;
  for (const link of links) {
    const next = linkDrawing(link, toX);
    drawings.push(next.drawing);
    ({ toX } = next);
  }
  return { drawing: together(drawings), toX };
}

/** A row that ends in a stub and its net's label. */
function labelledRow(links: Link[], net: string | null): Drawing {
  const { drawing, toX } = rowOf(links);
  const end: Spot = [toX + STUB_MM, 0];
  return together([drawing, wire([[toX, 0], end]), labelAt(net, end, "right")]);
}

/** Room of one branch from the next. */
const PITCH_MM = 11.5;
/** Most branches on one line, so that a sheet holds it. */
const MOST = 13;

/** Branches that begin on one net hang on one line with its name on top. */
function comb(net: string | null, branches: Branch[]): Drawing {
  const lastY = (branches.length - 1) * PITCH_MM;
  const isGround = net === GROUND;
  const isCorner = (nth: number) => nth === (isGround ? 0 : branches.length - 1);
  const rows = branches.map(({ links, to }, nth) =>
    together([
      wire([
        [0, nth * PITCH_MM],
        [4, nth * PITCH_MM],
      ]),
      shifted(labelledRow(links, to), 4, nth * PITCH_MM),
      isCorner(nth) ? empty() : dot([0, nth * PITCH_MM]),
    ]),
  );
  const joints = branches.map((_, nth): Spot => [0, nth * PITCH_MM]);
  const end: Spot = isGround ? [0, lastY + 5] : [0, -6];
  const spine = isGround ? [...joints, end] : [end, ...joints];
  return together([wire(spine), labelAt(net, end, isGround ? "down" : "up"), ...rows]);
}

function single({ from, to, links }: Branch): Drawing {
  return together([
    labelAt(from, [0, 0], "left"),
    wire([
      [0, 0],
      [STUB_MM, 0],
    ]),
    shifted(labelledRow(links, to), STUB_MM, 0),
  ]);
}

/** Branches on lines that they share. */
export function branchDrawings(branches: Branch[]): Drawing[] {
  const groups = new Map<string | null, Branch[]>();
  for (const branch of hung(branches)) groups.set(branch.from, [...(groups.get(branch.from) ?? []), branch]);
  return [...groups].flatMap(([net, group]) => {
    const pieces = Array.from({ length: Math.ceil(group.length / MOST) }, (_, nth) =>
      group.slice(nth * MOST, (nth + 1) * MOST),
    );
    return pieces.flatMap((piece) => (piece.length === 1 || net === null ? piece.map(single) : [comb(net, piece)]));
  });
}

/** A small part standing upright with its texts at its right, its first end on top. */
function standing(link: Link, y: number): Drawing {
  const [x, middle] = [3.4, y + LENGTH / 2];
  const texts = [
    textOf("part", link.unit.part, [x, middle - 0.4], "start"),
    textOf("note", link.unit.note, [x, middle + 2.4], "start"),
  ].filter(({ text }) => text !== "");
  return together([shifted(upright(symbolOf(link)), 0, y), { ...empty(), texts }]);
}

const NODE_MM = 3;

/** Parts between named nets, one under another, each net told where two of them meet. */
export function trunk(links: Link[]): Drawing {
  const drawings: Drawing[] = [labelAt(nearNet(links[0]), [0, 0], "up")];
  let y = 0;
  links.forEach((link, nth) => {
    drawings.push(standing(link, y));
    y += LENGTH;
    if (nth === links.length - 1) return;
    drawings.push(
      wire([
        [0, y],
        [0, y + NODE_MM / 2],
        [0, y + NODE_MM],
      ]),
      wire([
        [0, y + NODE_MM / 2],
        [3, y + NODE_MM / 2],
      ]),
      dot([0, y + NODE_MM / 2]),
      labelAt(farNet(link), [3, y + NODE_MM / 2], "right"),
    );
    y += NODE_MM;
  });
  return together([...drawings, labelAt(farNet(links.at(-1)!), [0, y], "down")]);
}
