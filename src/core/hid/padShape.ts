import { LIMITS } from "../contract/contract";
import { whole, z } from "../schema";

/** Axes of a game pad, in the order of their usages (HID Usage Tables, "Generic Desktop Page", from 30 on). */
export const padAxes = ["x", "y", "z", "rx", "ry", "rz", "slider", "dial"] as const;
export type PadAxis = (typeof padAxes)[number];
export const padAxisNames: Record<PadAxis, string> = {
  x: "X",
  y: "Y",
  z: "Z",
  rx: "Rx",
  ry: "Ry",
  rz: "Rz",
  slider: "Slider",
  dial: "Dial",
};
const FIRST_AXIS_USAGE = 0x30;
export const padAxisUsage = (axis: PadAxis): number => FIRST_AXIS_USAGE + padAxes.indexOf(axis);

/** What a person says of the game pad; what is bound beyond it is declared too. */
export const padSettingsSchema = z.strictObject({
  buttons: whole(0, LIMITS.PAD_BUTTONS),
  hat: z.boolean(),
  /** Bits of each axis. */
  axisBits: whole(8, 16),
});
export type PadSettings = z.infer<typeof padSettingsSchema>;

export const usualPad: PadSettings = { buttons: 16, hat: false, axisBits: 8 };

/** The sides of a hat, as DIRECTION numbers them. */
export const hatSides = ["right", "left", "down", "up"] as const;
export type HatSide = (typeof hatSides)[number];
