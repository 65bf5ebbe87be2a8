import { z } from "zod";
import { idSchema } from "../kinds/controlKind";

const busRoleSchema = z.strictObject({
  bus: z.enum(["i2c", "spi", "uart"]),
  /** Which of the chip's own bus controllers of that sort stands behind the pin. */
  instance: z.int().min(0).max(15),
  line: z.string().min(1).max(10),
});

const pinSchema = z.strictObject({
  name: z.string().min(1).max(12),
  /** What the pin is: an I/O pin, or a fixed one of the board. */
  role: z.enum(["io", "ground", "supply", "logic-supply", "reset", "unused"]),
  /** Centre of the pad from the module's centre, connector upwards, seen from the parts side. */
  xMm: z.number().min(-200).max(200),
  yMm: z.number().min(-200).max(200),
  input: z.boolean(),
  pullUp: z.boolean(),
  output: z.boolean(),
  interrupt: z.boolean(),
  pwm: z.boolean(),
  /** Channel of the analog converter, or null. */
  analogChannel: z.int().min(0).max(63).nullable(),
  buses: z.array(busRoleSchema).max(8),
  /** Why the board itself needs the pin; null when it is free for use. */
  reserved: z.string().max(160).nullable(),
});
export type Pin = z.infer<typeof pinSchema>;

/** A controller module as data: what can be reached at which place, and its electrical and memory limits. */
export const controllerProfileSchema = z.strictObject({
  id: idSchema,
  title: z.string().min(1).max(80),
  summary: z.string().max(300),
  widthMm: z.number().min(5).max(250),
  heightMm: z.number().min(5).max(250),
  logicV: z.number().min(1).max(6),
  /** Highest voltage surely read as low and lowest surely read as high, in V. */
  inputLowMaxV: z.number().min(0).max(6),
  inputHighMinV: z.number().min(0).max(6),
  /** Internal pull-up between its limits, in ohm. */
  pullUpMinOhm: z.number().min(100).max(1e6),
  pullUpMaxOhm: z.number().min(100).max(1e6),
  pinCurrentMa: z.number().min(0.1).max(100),
  allPinsCurrentMa: z.number().min(1).max(2000),
  clockMhz: z.number().min(1).max(1000),
  flashKib: z.number().min(1).max(65536),
  ramKib: z.number().min(0.5).max(65536),
  usbDevice: z.boolean(),
  pins: z.array(pinSchema).min(2).max(200),
});
export type ControllerProfile = z.infer<typeof controllerProfileSchema>;

/** Pins a person may use: I/O and not taken by the board. */
export const usablePins = (profile: ControllerProfile): Pin[] =>
  profile.pins.filter((pin) => pin.role === "io" && pin.reserved === null);
