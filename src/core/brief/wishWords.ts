import type { Control } from "../catalogue/kinds";
import type { WishCount } from "../document/wish";

/** One of each, as a noun that takes an s. */
export const wishNouns: Record<WishCount, string> = {
  keys: "key",
  toggles: "toggle",
  encoders: "encoder",
  concentrics: "concentric encoder",
  sticks2: "two-axis stick",
  sticks3: "three-axis stick",
  pots: "pot",
  fiveWays: "five-way",
  ladderPads: "ladder pad",
  lamps: "lamp",
  lights: "light",
  segments: "segment display",
  displays: "display",
  radios: "radio",
  buzzers: "buzzer",
  motors: "motor",
};

export const kindOfLine: Record<WishCount, Control["kind"]> = {
  keys: "key",
  toggles: "toggle",
  encoders: "encoder",
  concentrics: "concentric",
  sticks2: "stick",
  sticks3: "stick",
  pots: "pot",
  fiveWays: "five-way",
  ladderPads: "ladder-pad",
  lamps: "lamp",
  lights: "light",
  segments: "segments",
  displays: "display",
  radios: "radio",
  buzzers: "buzzer",
  motors: "motor",
};
