import { text, between, whole, listOf, z } from "../../schema";
import { idSchema } from "../kinds/controlKind";

const busRoleSchema = z.strictObject({
  bus: z.enum(["i2c", "spi", "uart"]),
  /** Which of the chip's own bus controllers of that sort stands behind the pin. */
  instance: whole(0, 15),
  line: text(1, 10),
});

export const pinSchema = z.strictObject({
  name: text(1, 12),
  /** What the pin is: an I/O pin, or a fixed one of the board. */
  role: z.enum(["io", "ground", "supply", "logic-supply", "reset", "unused"]),
  /** Centre of the pad from the module's centre, connector upwards, seen from the parts side. */
  xMm: between(-200, 200),
  yMm: between(-200, 200),
  input: z.boolean(),
  pullUp: z.boolean(),
  output: z.boolean(),
  interrupt: z.boolean(),
  pwm: z.boolean(),
  /** Channel of the analog converter, or null. */
  analogChannel: z.nullable(whole(0, 63)),
  buses: listOf(busRoleSchema, 8),
  /** Why the board itself needs the pin; null when it is free for use. */
  reserved: z.nullable(text(0, 160)),
  /** What the pin decides while the board starts, so that nothing may hold it then; null when it decides nothing. */
  boot: z.nullable(text(0, 160)),
  /** What a supply pad gives, in V; null where that depends on what is fed in, and for all other pads. */
  volts: z.nullable(between(0.5, 60)),
});
export type Pin = z.infer<typeof pinSchema>;

/** Whether firmware of a sort runs there, and whether it can be a USB device. */
const firmwareSupport = z.enum(["no", "runs", "runs-usb"]);

const powerSchema = z.strictObject({
  /** Running with USB, and suspended with everything of its own off. */
  activeMa: between(0.1, 1000),
  asleepMa: between(0.001, 1000),
  /** What the pads that pass the source on may carry: the module's fuse, diode or trace. */
  passMa: between(10, 10_000),
  /** Between source and logic; null where the logic runs on the source itself. */
  regulator: z.nullable(
    z.strictObject({
      limitMa: between(10, 10_000),
      dropoutV: between(0.01, 5),
      /** Rise of its temperature by the watt. */
      kelvinPerWatt: between(1, 1000),
    }),
  ),
});
export type ControllerPower = z.infer<typeof powerSchema>;

/** A controller as data: what can be reached at which place, and its electrical and memory limits. */
export const controllerProfileSchema = z.strictObject({
  id: idSchema,
  title: text(1, 80),
  summary: text(0, 300),
  widthMm: between(5, 250),
  heightMm: between(5, 250),
  logicV: between(1, 6),
  /** Highest voltage surely read as low and lowest surely read as high, in V. */
  inputLowMaxV: between(0, 6),
  inputHighMinV: between(0, 6),
  /** Internal pull-up between its limits, in ohm. */
  pullUpMinOhm: between(100, 1e6),
  pullUpMaxOhm: between(100, 1e6),
  pinCurrentMa: between(0.1, 100),
  allPinsCurrentMa: between(1, 2000),
  clockMhz: between(1, 1000),
  flashKib: between(1, 65536),
  ramKib: between(0.5, 65536),
  /** A ready module with its connector, or a bare chip that needs a board around it. */
  form: z.enum(["module", "chip"]),
  firmware: z.strictObject({ compiled: firmwareSupport, interpreted: firmwareSupport }),
  radio: z.boolean(),
  /** The plug's middle on the module's edge, and the clear length that plug and hand need beyond it; null without one. */
  connector: z.nullable(
    z.strictObject({
      xMm: between(-125, 125),
      yMm: between(-125, 125),
      side: z.enum(["top", "right", "bottom", "left"]),
      widthMm: between(3, 40),
      plugMm: between(0, 100),
    }),
  ),
  /** Where the module's oscillator sits; it wants distance to fast data lines. */
  oscillator: z.nullable(z.strictObject({ xMm: between(-125, 125), yMm: between(-125, 125) })),
  /** Money units a piece, for estimates. */
  price: between(0, 1000),
  /** Its own currents and what its supply pads give; where nothing is said, what is typical of its voltage and form. */
  power: z.optional(powerSchema),
  /** Bits of the analog converter, and how long one conversion and its sampling take; 10 bits of the 8-bit class if not said. */
  converter: z.optional(
    z.strictObject({
      bits: whole(6, 24),
      conversionUs: between(0.1, 10_000),
      samplePf: between(0.5, 1000),
      sampleUs: between(0.01, 10_000),
    }),
  ),
  pins: listOf(pinSchema, 200, 2),
});
export type ControllerProfile = z.infer<typeof controllerProfileSchema>;

/** Pins a person may use: I/O and not taken by the board. */
export const usablePins = (profile: ControllerProfile): Pin[] =>
  profile.pins.filter((pin) => pin.role === "io" && pin.reserved === null);
