import type { ControllerProfile, Pin } from "./controllerProfile";
import { logic3v3, logic5v } from "./logicLevels";
import { ground, io, logicSupply, pinRow, reset, supply, unused } from "./pinRow";

const any: Partial<Pin> = { interrupt: true, pwm: true };

const i2c = (instance: number, line: "SDA" | "SCL"): Pin["buses"] => [{ bus: "i2c", instance, line }];
const spi = (instance: number, line: string): Pin["buses"] => [{ bus: "spi", instance, line }];

/** Numbered pins from..to, with what single ones can do besides. */
const numbered = (from: number, to: number, special: Record<number, Partial<Pin>>, base: Partial<Pin> = any) =>
  Array.from({ length: to - from + 1 }, (_, nth) => io(`P${from + nth}`, { ...base, ...special[from + nth] }));

/** Small 3.3 V dual-core class. Typical of the class (common practice; limits from memory). */
export const dual18: ControllerProfile = {
  id: "small-dual-3v3-18",
  title: "Small 3.3 V dual-core board, 18 I/O",
  summary: "Two rows of twelve pads. Every I/O pin can interrupt; four are analog. Two I²C and one SPI controller.",
  widthMm: 18,
  heightMm: 33,
  ...logic3v3,
  clockMhz: 133,
  flashKib: 4096,
  ramKib: 264,
  form: "module",
  firmware: { compiled: "runs-usb", interpreted: "runs-usb" },
  radio: false,
  connector: { xMm: 0, yMm: -16.5, side: "top", widthMm: 9, plugMm: 25 },
  oscillator: { xMm: 3, yMm: 4 },
  price: 6.5,
  pins: [
    ...pinRow(-7.62, 1, [
      io("P0", { ...any, buses: [{ bus: "uart", instance: 0, line: "TX" }] }),
      io("P1", { ...any, buses: [{ bus: "uart", instance: 0, line: "RX" }] }),
      ground,
      ground,
      ...numbered(2, 9, {
        2: { buses: i2c(1, "SDA") },
        3: { buses: i2c(1, "SCL") },
        4: { buses: i2c(0, "SDA") },
        5: { buses: i2c(0, "SCL") },
      }),
    ]),
    ...pinRow(7.62, 1, [
      supply("5V", 5),
      ground,
      reset,
      logicSupply("3V3", 3.3),
      io("P29", { ...any, analogChannel: 3 }),
      io("P28", { ...any, analogChannel: 2 }),
      io("P27", { ...any, analogChannel: 1 }),
      io("P26", { ...any, analogChannel: 0 }),
      io("P22", { ...any, buses: spi(0, "clock") }),
      io("P20", { ...any, buses: spi(0, "data in") }),
      io("P23", { ...any, buses: spi(0, "data out") }),
      io("P21", { ...any, buses: spi(0, "select") }),
    ]),
  ],
};

/** Small 5 V 8-bit class whose USB plug only carries serial data. Counts: common practice; limits from memory. */
export const serial20: ControllerProfile = {
  id: "small-5v-serial-20",
  title: "Small 5 V board without USB device, 20 I/O",
  summary:
    "8-bit, 16 MHz. Its USB plug is a serial line only, so it cannot be a keyboard by itself. Two pins interrupt.",
  widthMm: 18,
  heightMm: 45,
  ...logic5v,
  clockMhz: 16,
  flashKib: 32,
  ramKib: 2,
  form: "module",
  firmware: { compiled: "runs", interpreted: "no" },
  radio: false,
  connector: { xMm: 0, yMm: -22.5, side: "top", widthMm: 8, plugMm: 25 },
  oscillator: { xMm: 2, yMm: -3 },
  price: 4,
  pins: [
    ...pinRow(-7.62, 1, [
      io("P13", { buses: spi(0, "clock") }),
      logicSupply("3V3", 3.3),
      unused("AREF"),
      ...[0, 1, 2, 3, 4, 5].map((n) =>
        io(`A${n}`, { analogChannel: n, buses: n === 4 ? i2c(0, "SDA") : n === 5 ? i2c(0, "SCL") : [] }),
      ),
      io("A6", { analogChannel: 6, output: false, pullUp: false, input: false }),
      io("A7", { analogChannel: 7, output: false, pullUp: false, input: false }),
      supply("5V", 5),
      reset,
      ground,
      supply("VIN", null),
    ]),
    ...pinRow(7.62, 1, [
      io("P12", { buses: spi(0, "data in") }),
      io("P11", { pwm: true, buses: spi(0, "data out") }),
      io("P10", { pwm: true, buses: spi(0, "select") }),
      io("P9", { pwm: true }),
      io("P8"),
      io("P7"),
      io("P6", { pwm: true }),
      io("P5", { pwm: true }),
      io("P4"),
      io("P3", { interrupt: true, pwm: true }),
      io("P2", { interrupt: true }),
      ground,
      reset,
      io("P0", { reserved: "it carries the serial line of the USB plug" }),
      io("P1", { reserved: "it carries the serial line of the USB plug" }),
    ]),
  ],
};

/** Small 3.3 V class with radio and battery connection. Typical of the class (from memory). */
export const wireless20: ControllerProfile = {
  id: "wireless-3v3-20",
  title: "Small 3.3 V wireless board, 20 I/O",
  summary: "Radio on the chip, battery pads, two rows of twelve. Four pins are analog. Two I²C or SPI controllers.",
  widthMm: 18,
  heightMm: 33.5,
  ...logic3v3,
  clockMhz: 64,
  flashKib: 1024,
  ramKib: 256,
  form: "module",
  firmware: { compiled: "runs-usb", interpreted: "runs-usb" },
  radio: true,
  connector: { xMm: 0, yMm: -16.75, side: "top", widthMm: 9, plugMm: 25 },
  oscillator: { xMm: -2, yMm: 5 },
  price: 14,
  pins: [
    ...pinRow(-7.62, 1, [
      io("P6", { ...any, buses: [{ bus: "uart", instance: 0, line: "TX" }] }),
      io("P8", { ...any, buses: [{ bus: "uart", instance: 0, line: "RX" }] }),
      ground,
      ground,
      io("P17", { ...any, buses: i2c(0, "SDA") }),
      io("P20", { ...any, buses: i2c(0, "SCL") }),
      io("P22", any),
      io("P24", any),
      io("P32", any),
      io("P11", any),
      io("P36", any),
      io("P38", any),
    ]),
    ...pinRow(7.62, 1, [
      supply("BAT", null),
      ground,
      reset,
      logicSupply("3V3", 3.3),
      io("P31", { ...any, analogChannel: 7 }),
      io("P29", { ...any, analogChannel: 5 }),
      io("P2", { ...any, analogChannel: 0 }),
      io("P45", { ...any, buses: spi(1, "clock") }),
      io("P43", { ...any, buses: spi(1, "data in") }),
      io("P10", { ...any, buses: spi(1, "data out") }),
      io("P9", any),
      io("P30", { ...any, analogChannel: 6 }),
    ]),
    ...pinRow(0, 13, [io("P33", any), io("P34", any)]),
    ...pinRow(2.54, -12, [io("P15", { reserved: "it drives the board's status light" })]),
    ...pinRow(-2.54, -12, [io("P4", { analogChannel: 2, reserved: "it measures the battery through a divider" })]),
  ],
};

/** Mid-size 3.3 V 32-bit class. Typical of the class (from memory). */
export const full34: ControllerProfile = {
  id: "mid-3v3-34",
  title: "Mid-size 3.3 V 32-bit board, 34 I/O",
  summary: "Two rows of twenty pads, fast. Ten pins are analog. Two I²C and two SPI controllers.",
  widthMm: 22.9,
  heightMm: 53,
  ...logic3v3,
  pullUpMinOhm: 30_000,
  pullUpMaxOhm: 50_000,
  pinCurrentMa: 8,
  allPinsCurrentMa: 120,
  clockMhz: 72,
  flashKib: 128,
  ramKib: 20,
  form: "module",
  firmware: { compiled: "runs-usb", interpreted: "no" },
  radio: false,
  connector: { xMm: 0, yMm: -26.5, side: "top", widthMm: 8, plugMm: 25 },
  oscillator: { xMm: 0, yMm: 3 },
  price: 5.5,
  pins: [
    ...pinRow(-8.89, 0, [
      ...numbered(0, 15, {
        0: { boot: "it must not be held high while the board starts" },
        2: { buses: spi(1, "select") },
        6: { buses: [{ bus: "uart", instance: 0, line: "TX" }] },
        7: { buses: [{ bus: "uart", instance: 0, line: "RX" }] },
        3: { buses: spi(1, "clock") },
        4: { buses: spi(1, "data in") },
        5: { buses: spi(1, "data out") },
        10: { buses: i2c(0, "SCL") },
        11: { buses: i2c(0, "SDA") },
      }),
      supply("5V", 5),
      ground,
      logicSupply("3V3", 3.3),
      reset,
    ]),
    ...pinRow(8.89, 0, [
      ground,
      logicSupply("3V3", 3.3),
      ...numbered(16, 33, {
        ...Object.fromEntries(Array.from({ length: 10 }, (_, n) => [16 + n, { analogChannel: n }])),
        26: { buses: spi(0, "select") },
        27: { buses: spi(0, "clock") },
        28: { buses: spi(0, "data in") },
        29: { buses: spi(0, "data out") },
        30: { buses: i2c(1, "SCL") },
        31: { buses: i2c(1, "SDA") },
      }),
    ]),
    ...pinRow(0, 20, [io("P34", { reserved: "it drives the board's status light" })]),
    ...pinRow(5, 20, [io("P35", { reserved: "the USB plug's pull-up hangs on it" })]),
  ],
};
