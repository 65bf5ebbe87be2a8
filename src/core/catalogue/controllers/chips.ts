import type { ControllerProfile, Pin } from "./controllerProfile";
import { logic3v3, logic5v } from "./logicLevels";
import { ground, io, logicSupply, quadLeads, reset, unused } from "./pinRow";

type Lead = Omit<Pin, "xMm" | "yMm">;
const any: Partial<Pin> = { interrupt: true, pwm: true };
const BUSES: Record<string, Pin["buses"]> = {
  SDA: [{ bus: "i2c", instance: 0, line: "SDA" }],
  SCL: [{ bus: "i2c", instance: 0, line: "SCL" }],
  SDA1: [{ bus: "i2c", instance: 1, line: "SDA" }],
  SCL1: [{ bus: "i2c", instance: 1, line: "SCL" }],
  CLK: [{ bus: "spi", instance: 0, line: "clock" }],
  DI: [{ bus: "spi", instance: 0, line: "data in" }],
  DO: [{ bus: "spi", instance: 0, line: "data out" }],
  TX: [{ bus: "uart", instance: 0, line: "TX" }],
  RX: [{ bus: "uart", instance: 0, line: "RX" }],
  SEL: [{ bus: "spi", instance: 0, line: "select" }],
};

const usb = (name: string): Lead => io(name, { reserved: "it is a USB data line" });
const crystal = (name: string): Lead => io(name, { reserved: "the oscillator is on it" });

/**
 * Leads around a bare chip: fixed ones first, then general ones numbered from P0, the first `analogs` of them analog,
 * buses on the numbers given.
 */
function leads(
  total: number,
  fixed: Lead[],
  analogs: number,
  buses: Record<number, string>,
  base: Partial<Pin>,
): Lead[] {
  const general = Array.from({ length: total - fixed.length }, (_, n) =>
    io(`P${n}`, {
      ...base,
      pwm: base.pwm ?? n % 3 === 0,
      analogChannel: n < analogs ? n : null,
      buses: buses[n] ? BUSES[buses[n]] : [],
    }),
  );
  return [...fixed, ...general];
}

const chip = {
  form: "chip",
  radio: false,
  connector: null,
  oscillator: null,
} as const;

/** 32-lead 8-bit class without USB. Counts: common practice; limits from memory. */
export const chip23: ControllerProfile = {
  ...chip,
  id: "chip-8bit-32",
  title: "Bare 8-bit chip, 32 leads, 23 I/O",
  summary: "Needs a board of its own. No USB: for pad ports, radio handsets and bus modules. Eight pins are analog.",
  widthMm: 9,
  heightMm: 9,
  ...logic5v,
  clockMhz: 16,
  flashKib: 32,
  ramKib: 2,
  firmware: { compiled: "runs", interpreted: "no" },
  price: 2.2,
  pins: quadLeads(
    leads(
      32,
      [
        logicSupply("VCC", 5),
        ground,
        logicSupply("VCC", 5),
        ground,
        logicSupply("AVCC", 5),
        unused("AREF"),
        ground,
        crystal("X1"),
        crystal("X2"),
      ],
      8,
      { 4: "SDA", 5: "SCL", 10: "RX", 11: "TX", 12: "DI", 13: "DO", 14: "CLK", 15: "SEL" },
      { interrupt: true },
    ),
    9,
  ),
};

/** 48-lead 3.3 V 32-bit class. Counts: common practice; limits from memory. */
export const chip35: ControllerProfile = {
  ...chip,
  id: "chip-3v3-48",
  title: "Bare 3.3 V chip, 48 leads, 35 I/O",
  summary: "Needs a board of its own with plug and regulator. Ten pins are analog; two I²C controllers.",
  widthMm: 9,
  heightMm: 9,
  ...logic3v3,
  pullUpMinOhm: 30_000,
  pullUpMaxOhm: 50_000,
  pinCurrentMa: 8,
  allPinsCurrentMa: 120,
  clockMhz: 72,
  flashKib: 128,
  ramKib: 20,
  firmware: { compiled: "runs-usb", interpreted: "no" },
  price: 2.8,
  pins: quadLeads(
    leads(
      48,
      [
        logicSupply("VBAT", 3.3),
        crystal("X1"),
        crystal("X2"),
        reset,
        ground,
        logicSupply("3V3", 3.3),
        ground,
        logicSupply("3V3", 3.3),
        ground,
        logicSupply("3V3", 3.3),
        usb("D-"),
        usb("D+"),
        io("BOOT", { reserved: "it chooses the loader at the start", boot: "it chooses the loader at the start" }),
      ],
      10,
      { 12: "TX", 13: "RX", 14: "SDA", 15: "SCL", 16: "SDA1", 17: "SCL1", 18: "DI", 19: "DO", 20: "CLK", 21: "SEL" },
      any,
    ),
    9,
    0.5,
  ),
};

/** 64-lead 3.3 V 32-bit class. Counts: common practice; limits from memory. */
export const chip50: ControllerProfile = {
  ...chip,
  id: "chip-3v3-64",
  title: "Bare 3.3 V chip, 64 leads, 50 I/O",
  summary: "Needs a board of its own with plug and regulator. Sixteen pins are analog; two I²C controllers.",
  widthMm: 12,
  heightMm: 12,
  ...logic3v3,
  pullUpMinOhm: 30_000,
  pullUpMaxOhm: 50_000,
  pinCurrentMa: 8,
  allPinsCurrentMa: 120,
  clockMhz: 72,
  flashKib: 256,
  ramKib: 64,
  firmware: { compiled: "runs-usb", interpreted: "runs-usb" },
  price: 5,
  pins: quadLeads(
    leads(
      64,
      [
        logicSupply("VBAT", 3.3),
        crystal("X1"),
        crystal("X2"),
        reset,
        ground,
        logicSupply("3V3", 3.3),
        ground,
        logicSupply("3V3", 3.3),
        ground,
        logicSupply("3V3", 3.3),
        ground,
        usb("D-"),
        usb("D+"),
        io("BOOT", { reserved: "it chooses the loader at the start", boot: "it chooses the loader at the start" }),
      ],
      16,
      { 18: "TX", 19: "RX", 20: "SDA", 21: "SCL", 22: "SDA1", 23: "SCL1", 24: "DI", 25: "DO", 26: "CLK", 27: "SEL" },
      any,
    ),
    12,
    0.5,
  ),
};
