import { GROUND } from "../../circuits/net";
import { type Drawing, type Spot, HALF, empty, textOf } from "./drawing";

export type Direction = "left" | "right" | "up" | "down";

const STEPS: Record<Direction, Spot> = { left: [-1, 0], right: [1, 0], up: [0, -1], down: [0, 1] };
/** Between a wire's end and its label. */
export const GAP_MM = 1;

/** A line's place when `along` runs outwards from the wire's end and `across` to its side. */
const outwards = ([x, y]: Spot, direction: Direction, along: number, across: number): Spot => {
  const [dx, dy] = STEPS[direction];
  return [x + dx * along + dy * across, y + dy * along + dx * across];
};

/** The sign of ground (IEC 60617 02-15-01 in form): a lead and three bars that grow shorter. */
function ground(at: Spot, direction: Direction): Drawing {
  const bar = (along: number, half: number): Spot[] => [
    outwards(at, direction, along, -half),
    outwards(at, direction, along, half),
  ];
  const lead: Spot[] = [at, outwards(at, direction, 1.2, 0)];
  const all = [lead, bar(1.2, 1.5), bar(1.8, 1), bar(2.4, 0.5)];
  return { ...empty(), lines: all.map((points) => ({ role: "ground", points })) };
}

/** A cross on an end that stays open. */
function open(at: Spot): Drawing {
  const [x, y] = at;
  const strokes: Spot[][] = [
    [
      [x - 0.7, y - 0.7],
      [x + 0.7, y + 0.7],
    ],
    [
      [x - 0.7, y + 0.7],
      [x + 0.7, y - 0.7],
    ],
  ];
  return { ...empty(), lines: strokes.map((points) => ({ role: "open", points })) };
}

/** What stands at the end of a wire: the net's name instead of a long line, the sign of ground, or a cross. */
export function labelAt(net: string | null, at: Spot, direction: Direction): Drawing {
  if (net === null) return open(at);
  if (net === GROUND) return ground(at, direction);
  const [x, y] = outwards(at, direction, GAP_MM, 0);
  const size = textOf("net", net, at, "start").size;
  const texts = {
    left: () => textOf("net", net, [x, y + HALF * size], "end"),
    right: () => textOf("net", net, [x, y + HALF * size], "start"),
    up: () => textOf("net", net, [x, y - 0.25 * size], "middle"),
    down: () => textOf("net", net, [x, y + 0.8 * size], "middle"),
  };
  return { ...empty(), texts: [texts[direction]()] };
}
