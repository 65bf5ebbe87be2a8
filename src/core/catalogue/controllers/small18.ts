import type { ControllerProfile } from "./controllerProfile";
import { logic5v } from "./logicLevels";
import { ground, io, logicSupply, pinRow, reset, supply } from "./pinRow";

/** Small 5 V 8-bit class with USB on the chip. Typical of the class (common practice; limits from memory). */
export const small18: ControllerProfile = {
  id: "small-5v-18",
  title: "Small 5 V USB board, 18 I/O",
  summary:
    "8-bit, 16 MHz, two rows of twelve pads. Eleven pins can interrupt, nine are analog. 32 KiB flash, 2.5 KiB RAM.",
  widthMm: 18,
  heightMm: 33,
  ...logic5v,
  clockMhz: 16,
  flashKib: 32,
  ramKib: 2.5,
  form: "module",
  firmware: { compiled: "runs-usb", interpreted: "no" },
  radio: false,
  connector: { xMm: 0, yMm: -16.5, side: "top", widthMm: 8, plugMm: 25 },
  oscillator: { xMm: -3, yMm: 4 },
  price: 6,
  pins: [
    ...pinRow(-7.62, 1, [
      io("P1", { interrupt: true, buses: [{ bus: "uart", instance: 0, line: "TX" }] }),
      io("P0", { interrupt: true, buses: [{ bus: "uart", instance: 0, line: "RX" }] }),
      ground,
      ground,
      io("P2", { interrupt: true, buses: [{ bus: "i2c", instance: 0, line: "SDA" }] }),
      io("P3", { interrupt: true, pwm: true, buses: [{ bus: "i2c", instance: 0, line: "SCL" }] }),
      io("P4", { analogChannel: 8 }),
      io("P5", { pwm: true }),
      io("P6", { pwm: true, analogChannel: 10 }),
      io("P7", { interrupt: true }),
      io("P8", { interrupt: true, analogChannel: 11 }),
      io("P9", { interrupt: true, pwm: true, analogChannel: 12 }),
    ]),
    ...pinRow(7.62, 1, [
      supply("5V", 5),
      ground,
      reset,
      logicSupply("VCC", 5),
      io("P21", { analogChannel: 4 }),
      io("P20", { analogChannel: 5 }),
      io("P19", { analogChannel: 6 }),
      io("P18", { analogChannel: 7 }),
      io("P15", { interrupt: true, buses: [{ bus: "spi", instance: 0, line: "clock" }] }),
      io("P14", { interrupt: true, buses: [{ bus: "spi", instance: 0, line: "data in" }] }),
      io("P16", { interrupt: true, buses: [{ bus: "spi", instance: 0, line: "data out" }] }),
      io("P10", { interrupt: true, pwm: true, analogChannel: 13 }),
    ]),
    ...pinRow(-2.54, -14, [io("P17", { reserved: "it drives the board's receive light" })]),
    ...pinRow(2.54, -14, [io("P22", { reserved: "it drives the board's transmit light" })]),
  ],
};
