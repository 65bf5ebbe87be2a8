import type { ControllerProfile, Pin } from "./controllerProfile";
import { logic3v3 } from "./logicLevels";
import { ground, io, logicSupply, pinRow, supply } from "./pinRow";

const any: Partial<Pin> = { interrupt: true, pwm: true };

/** Thumb-size 3.3 V class. Sizes, limits and counts typical of the class (common practice; limits from memory). */
export const thumb11: ControllerProfile = {
  id: "thumb-3v3-11",
  title: "Thumb-size 3.3 V board, 11 I/O",
  summary: "Two rows of seven pads. Every I/O pin can interrupt; four are analog. One I²C and one SPI controller.",
  widthMm: 17.8,
  heightMm: 21,
  ...logic3v3,
  clockMhz: 133,
  flashKib: 2048,
  ramKib: 264,
  form: "module",
  firmware: { compiled: "runs-usb", interpreted: "runs-usb" },
  radio: false,
  connector: { xMm: 0, yMm: -10.5, side: "top", widthMm: 9, plugMm: 25 },
  oscillator: { xMm: 3, yMm: 2 },
  price: 5.5,
  pins: [
    ...pinRow(-7.62, 0, [
      io("P0", { ...any, analogChannel: 0 }),
      io("P1", { ...any, analogChannel: 1 }),
      io("P2", { ...any, analogChannel: 2 }),
      io("P3", { ...any, analogChannel: 3 }),
      io("P4", { ...any, buses: [{ bus: "i2c", instance: 0, line: "SDA" }] }),
      io("P5", { ...any, buses: [{ bus: "i2c", instance: 0, line: "SCL" }] }),
      io("P6", { ...any, buses: [{ bus: "uart", instance: 0, line: "TX" }] }),
    ]),
    ...pinRow(7.62, 0, [
      supply("5V", 5),
      ground,
      logicSupply("3V3", 3.3),
      io("P10", { ...any, buses: [{ bus: "spi", instance: 0, line: "data out" }] }),
      io("P9", { ...any, buses: [{ bus: "spi", instance: 0, line: "data in" }] }),
      io("P8", { ...any, buses: [{ bus: "spi", instance: 0, line: "clock" }] }),
      io("P7", { ...any, buses: [{ bus: "uart", instance: 0, line: "RX" }] }),
    ]),
  ],
};
