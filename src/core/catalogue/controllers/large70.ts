import type { ControllerProfile, Pin } from "./controllerProfile";
import { logic5v } from "./logicLevels";
import { ground, io, logicSupply, pinRow, reset, supply } from "./pinRow";

const INTERRUPTS = new Set([2, 3, 18, 19, 20, 21]);
const uart = (instance: number, line: "TX" | "RX"): Pin["buses"] => [{ bus: "uart", instance, line }];
const BUSES: Record<number, Pin["buses"]> = {
  0: uart(0, "RX"),
  1: uart(0, "TX"),
  14: uart(3, "TX"),
  15: uart(3, "RX"),
  16: uart(2, "TX"),
  17: uart(2, "RX"),
  18: uart(1, "TX"),
  19: uart(1, "RX"),
  20: [{ bus: "i2c", instance: 0, line: "SDA" }],
  21: [{ bus: "i2c", instance: 0, line: "SCL" }],
  50: [{ bus: "spi", instance: 0, line: "data in" }],
  51: [{ bus: "spi", instance: 0, line: "data out" }],
  52: [{ bus: "spi", instance: 0, line: "clock" }],
  53: [{ bus: "spi", instance: 0, line: "select" }],
};

const digital = (number: number): Omit<Pin, "xMm" | "yMm"> =>
  io(`P${number}`, { interrupt: INTERRUPTS.has(number), pwm: number < 14, buses: BUSES[number] ?? [] });

const digitals = (from: number, to: number, step = 1) => {
  const count = Math.floor((to - from) / step) + 1;
  return Array.from({ length: count }, (_, nth) => digital(from + nth * step));
};

const analogs = Array.from({ length: 16 }, (_, channel) => io(`A${channel}`, { analogChannel: channel }));

/** Large 5 V 8-bit class: 54 digital and 16 analog pins (counts: common practice; limits from memory). */
export const large70: ControllerProfile = {
  id: "large-5v-70",
  title: "Large 5 V board, 70 I/O",
  summary:
    "8-bit, 16 MHz. 54 digital and 16 analog pins along the edges; only six can interrupt. 256 KiB flash, 8 KiB RAM.",
  widthMm: 53.3,
  heightMm: 101.6,
  ...logic5v,
  clockMhz: 16,
  flashKib: 256,
  ramKib: 8,
  form: "module",
  firmware: { compiled: "runs", interpreted: "no" },
  radio: false,
  connector: { xMm: -15, yMm: -50.8, side: "top", widthMm: 12, plugMm: 30 },
  oscillator: { xMm: 8, yMm: -30 },
  price: 16,
  pins: [
    ...pinRow(24.1, -17, digitals(0, 21)),
    ...pinRow(-24.1, -33, [reset, logicSupply("3V3", 3.3), supply("5V", 5), ground, ground]),
    ...pinRow(-24.1, 5, analogs),
    ...pinRow(-4, 28, [ground, ...digitals(22, 37)]),
    ...pinRow(4, 28, [ground, ...digitals(38, 53)]),
    ...pinRow(10, -38, [io("P70", { reserved: "it drives the board's status light" })]),
  ],
};
