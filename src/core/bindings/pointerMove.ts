import { whole, z } from "../schema";
import { ACTION, DIRECTION, POINTER } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

export const directions = ["up", "down", "left", "right"] as const;
export type Direction = (typeof directions)[number];
export const DIRECTION_CODE: Record<Direction, number> = {
  right: DIRECTION.RIGHT,
  left: DIRECTION.LEFT,
  down: DIRECTION.DOWN,
  up: DIRECTION.UP,
};
export const directionOf = (modifiers: number): Direction =>
  directions.find((one) => DIRECTION_CODE[one] === (modifiers & POINTER.DIRECTION))!;

/** Times in which the pointer can come to its speed, in ms: powers of two, which the smallest devices reckon with. */
export const RAMPS_MS = [0, 128, 256, 512, 1024, 2048] as const;
/** Counts a second: from slower than a pixel in ten milliseconds to what a report can carry. */
export const POINTER_SPEED = { least: 10, most: 7999 } as const;

const pointerMoveSchema = z.strictObject({
  does: z.literal("pointer-move"),
  direction: z.enum(directions),
  /** Top speed in counts a second; how far the pointer goes by a count is the host's own setting. */
  speed: whole(POINTER_SPEED.least, POINTER_SPEED.most),
  /** From the press to the top speed; 0 for at once. */
  rampMs: z.union(RAMPS_MS.map((ms) => z.literal(ms))),
});
export type PointerMoveBinding = z.infer<typeof pointerMoveSchema>;

/** Speeds of the tables: counts a millisecond, in parts of 2^13. */
const PARTS_A_COUNT_MS = 2 ** POINTER.FRACTION_BITS / 1000;

const rampCode = (rampMs: number) => (rampMs === 0 ? 0 : Math.log2(rampMs)) << POINTER.RAMP_SHIFT;
const rampOf = (modifiers: number) => {
  const shift = modifiers >> POINTER.RAMP_SHIFT;
  return shift === 0 ? 0 : 2 ** shift;
};

/** The pointer moves for as long as its key is held: one count at the press, then faster and faster up to a speed. */
export const pointerMove: BindingKind<PointerMoveBinding> = {
  does: "pointer-move",
  schema: pointerMoveSchema,
  action: ACTION.POINTER_MOVE,
  decode: ({ modifiers, value }) => ({
    does: "pointer-move",
    direction: directionOf(modifiers),
    speed: Math.round(value / PARTS_A_COUNT_MS),
    rampMs: rampOf(modifiers),
  }),
  report: "pointer",
  phrase: ({ direction }) => `pointer ${direction}`,
  encode: ({ direction, speed, rampMs }) => ({
    kind: ACTION.POINTER_MOVE,
    modifiers: DIRECTION_CODE[direction] | rampCode(rampMs),
    value: Math.round(speed * PARTS_A_COUNT_MS),
  }),
};
