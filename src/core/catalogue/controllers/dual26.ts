import type { ControllerProfile, Pin } from "./controllerProfile";
import { logic3v3 } from "./logicLevels";
import { ground, io, logicSupply, pinRow, reset, supply, unused } from "./pinRow";

const any: Partial<Pin> = { interrupt: true, pwm: true };

/** Of every four pins one can be a transmitter of a serial line, the next its receiver; which of two it is changes with the four. */
const SERIAL = [0, 1, 1, 0, 0, 1, 1, 0];
const serial = (number: number): Pin["buses"] =>
  number % 4 < 2
    ? [{ bus: "uart", instance: SERIAL[Math.floor(number / 4)], line: number % 4 === 0 ? "TX" : "RX" }]
    : [];

/** Two I²C controllers reach the pins in turn, pair by pair (typical of the class). */
function busPin(number: number): Omit<Pin, "xMm" | "yMm"> {
  const buses: Pin["buses"] = [
    { bus: "i2c", instance: Math.floor(number / 2) % 2, line: number % 2 === 0 ? "SDA" : "SCL" },
    { bus: "spi", instance: Math.floor(number / 8) % 2, line: ["data in", "select", "clock", "data out"][number % 4] },
    ...serial(number),
  ];
  return io(`P${number}`, { ...any, buses });
}

const analog = (number: number, channel: number) => io(`P${number}`, { ...any, analogChannel: channel });

/** Full-size 3.3 V dual-core class. Typical of the class (common practice; limits from memory). */
export const dual26: ControllerProfile = {
  id: "dual-core-3v3-26",
  title: "Full-size 3.3 V dual-core board, 26 I/O",
  summary:
    "Two rows of twenty pads. Every I/O pin can interrupt; three are analog. Two I²C, two SPI and two serial controllers.",
  widthMm: 21,
  heightMm: 51,
  ...logic3v3,
  clockMhz: 133,
  flashKib: 2048,
  ramKib: 264,
  form: "module",
  firmware: { compiled: "runs-usb", interpreted: "runs-usb" },
  radio: false,
  connector: { xMm: 0, yMm: -25.5, side: "top", widthMm: 8, plugMm: 25 },
  oscillator: { xMm: 4, yMm: -6 },
  price: 5,
  pins: [
    ...pinRow(-8.89, 0, [
      busPin(0),
      busPin(1),
      ground,
      busPin(2),
      busPin(3),
      busPin(4),
      busPin(5),
      ground,
      busPin(6),
      busPin(7),
      busPin(8),
      busPin(9),
      ground,
      busPin(10),
      busPin(11),
      busPin(12),
      busPin(13),
      ground,
      busPin(14),
      busPin(15),
    ]),
    ...pinRow(8.89, 0, [
      supply("5V", 5),
      unused("VSYS"),
      ground,
      unused("EN"),
      logicSupply("3V3", 3.3),
      unused("AREF"),
      analog(28, 2),
      ground,
      analog(27, 1),
      analog(26, 0),
      reset,
      busPin(22),
      ground,
      busPin(21),
      busPin(20),
      busPin(19),
      busPin(18),
      ground,
      busPin(17),
      busPin(16),
    ]),
    ...pinRow(0, -17, [io("P25", { reserved: "it drives the board's status light" })]),
  ],
};
