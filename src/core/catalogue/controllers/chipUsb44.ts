import type { ControllerProfile, Pin } from "./controllerProfile";
import { logic5v } from "./logicLevels";
import { ground, io, logicSupply, quadLeads, reset, unused } from "./pinRow";

const change: Partial<Pin> = { interrupt: true };
const usb = (name: string) => io(name, { reserved: "it is a USB data line" });
const crystal = (name: string) => io(name, { reserved: "the oscillator is on it" });
const bus = (bus: "i2c" | "spi" | "uart", line: string): Pick<Pin, "buses"> => ({
  buses: [{ bus, instance: 0, line }],
});
const analog = (analogChannel: number): Pick<Pin, "analogChannel"> => ({ analogChannel });
const pwm: Partial<Pin> = { pwm: true };

/**
 * 44-lead 8-bit class with USB on the chip; pins are named by port and bit, leads lie as on the flat package (from
 * memory). What pins can do is held against the simulated chip by tests/firmware/chipPins.test.ts.
 */
export const chipUsb44: ControllerProfile = {
  id: "chip-8bit-usb-44",
  title: "Bare 8-bit USB chip, 44 leads, 26 I/O",
  summary: "Needs a board of its own with plug, oscillator and a few parts. 13 pins can interrupt, twelve are analog.",
  widthMm: 12,
  heightMm: 12,
  ...logic5v,
  clockMhz: 16,
  flashKib: 32,
  ramKib: 2.5,
  form: "chip",
  radio: false,
  connector: null,
  oscillator: null,
  firmware: { compiled: "runs-usb", interpreted: "no" },
  price: 4.2,
  pins: quadLeads(
    [
      io("E6", change),
      logicSupply("UVCC", 5),
      usb("D-"),
      usb("D+"),
      ground,
      unused("UCAP"),
      unused("VBUS"),
      io("B0", { ...change, ...bus("spi", "select") }),
      io("B1", { ...change, ...bus("spi", "clock") }),
      io("B2", { ...change, ...bus("spi", "data out") }),
      io("B3", { ...change, ...bus("spi", "data in") }),
      io("B7", { ...change, ...pwm }),
      reset,
      logicSupply("VCC", 5),
      ground,
      crystal("X2"),
      crystal("X1"),
      io("D0", { ...change, ...pwm, ...bus("i2c", "SCL") }),
      io("D1", { ...change, ...bus("i2c", "SDA") }),
      io("D2", { ...change, ...bus("uart", "RX") }),
      io("D3", { ...change, ...bus("uart", "TX") }),
      io("D5"),
      ground,
      logicSupply("AVCC", 5),
      io("D4", analog(8)),
      io("D6", analog(9)),
      io("D7", { ...pwm, ...analog(10) }),
      io("B4", { ...change, ...analog(11) }),
      io("B5", { ...change, ...pwm, ...analog(12) }),
      io("B6", { ...change, ...pwm, ...analog(13) }),
      io("C6", pwm),
      io("C7", pwm),
      io("E2"),
      logicSupply("VCC", 5),
      ground,
      io("F7", analog(7)),
      io("F6", analog(6)),
      io("F5", analog(5)),
      io("F4", analog(4)),
      io("F1", analog(1)),
      io("F0", analog(0)),
      unused("AREF"),
      ground,
      logicSupply("AVCC", 5),
    ],
    12,
  ),
};
