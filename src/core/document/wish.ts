import { between, text, whole, z } from "../schema";

/** What can be wished for in numbers, in the order of the form. */
export const wishCounts = [
  "keys",
  "toggles",
  "encoders",
  "concentrics",
  "sticks2",
  "sticks3",
  "pots",
  "fiveWays",
  "ladderPads",
  "lamps",
  "lights",
  "segments",
  "displays",
  "radios",
  "buzzers",
  "motors",
] as const;
export type WishCount = (typeof wishCounts)[number];

const count = whole(0, 500);

export const connections = ["usb-hid", "usb-midi", "radio", "pad-port"] as const;

/** The wish as counts and choices. */
export const wishSchema = z.strictObject({
  keys: count,
  toggles: count,
  encoders: count,
  concentrics: count,
  sticks2: count,
  sticks3: count,
  pots: count,
  fiveWays: count,
  ladderPads: count,
  lamps: count,
  lights: count,
  segments: count,
  displays: count,
  radios: count,
  buzzers: count,
  motors: count,
  /** Whether encoders, concentric encoders and sticks can also be pushed. */
  encoderPush: z.boolean(),
  concentricPush: z.boolean(),
  stickPush: z.boolean(),
  connection: z.enum(connections),
  /** More than two keys at once must all be reported. */
  chords: z.boolean(),
  /** Fastest turn of a knob that must not lose steps, in turns a second. */
  turnsPerSecond: between(0.1, 20),
  hotSwap: z.boolean(),
  /** It must work before the computer's system runs. */
  startUp: z.optional(z.boolean()),
  fits100: z.boolean(),
  onePiecePrint: z.boolean(),
  making: z.enum(["either", "hand-wired", "made-board"]),
  firmware: z.enum(["either", "compiled", "interpreted"]),
});
export type Wish = z.infer<typeof wishSchema>;

/** A plan of the brief that was taken: a controller class and how each sort of need is met. */
export const chosenPlanSchema = z.strictObject({
  profileId: text(1, 40),
  switchStrategy: text(1, 40),
  lampStrategy: text(1, 40),
  voltageStrategy: text(1, 40),
  turnStrategy: text(1, 40),
});
export type ChosenPlan = z.infer<typeof chosenPlanSchema>;

export const briefSchema = z.strictObject({
  wish: wishSchema,
  /** Given shape of a matrix, or null for the balanced one. */
  matrixShape: z.nullable(z.strictObject({ rows: whole(1, 32), columns: whole(1, 32) })),
  /** Prices that differ from the usual ones, by part. */
  prices: z.record(z.string(), between(0, 10_000)),
  chosen: z.nullable(chosenPlanSchema),
});
export type Brief = z.infer<typeof briefSchema>;

export const noWish: Wish = {
  keys: 0,
  toggles: 0,
  encoders: 0,
  concentrics: 0,
  sticks2: 0,
  sticks3: 0,
  pots: 0,
  fiveWays: 0,
  ladderPads: 0,
  lamps: 0,
  lights: 0,
  segments: 0,
  displays: 0,
  radios: 0,
  buzzers: 0,
  motors: 0,
  encoderPush: true,
  concentricPush: true,
  stickPush: true,
  connection: "usb-hid",
  chords: true,
  turnsPerSecond: 4,
  hotSwap: false,
  fits100: false,
  onePiecePrint: false,
  making: "either",
  firmware: "either",
};

export const emptyBrief: Brief = { wish: noWish, matrixShape: null, prices: {}, chosen: null };
