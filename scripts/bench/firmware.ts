import { demoDesigns } from "../../demo";
import type { Design } from "@/core/document/schema";
import { ramNeed } from "@/core/firmware/capacity";
import { addControl } from "@/core/edits/controls";
import { setPacket } from "@/core/edits/reportSet";
import { wireAs } from "@/core/edits/wiring";
import { usualPacket } from "@/core/hid/packetSettings";
import { scanTableOf } from "@/core/firmware/scanTable";
import { buildAvr, buildSimulator, play, workFolder } from "../../tests/firmware/builds";
import { everyContactOnce } from "../../tests/firmware/everyContactOnce";
import { everyKeyOnce, keyboard64 } from "../../tests/firmware/keyboard64";
import type { Row } from "./row";

const CYCLES_A_MS = 16_000;
const RAM = 2000;
const FLASH = 20 * 1024;
const AT_ONCE = 20;
const ALL = 64;

/** Demos whose lines are all pins of the controller: what parts in between cost is theirs. */
const ON_PINS = ["kestrel", "loom-64", "tern"];

interface Cycles {
  most: number;
  mean: number;
}

function cyclesOf(design: Design, script: string, pins: "free" | "one-by-one"): Cycles {
  const folder = workFolder();
  const { notes } = play(buildSimulator(), [buildAvr(design, folder, pins).binary], script);
  const read = (what: string) => Number(new RegExp(`${what} (\\d+)`).exec(notes)![1]);
  return { most: read("most"), mean: read("mean") };
}

/** Its packet holds every key, checked by a CRC of 16 bits, and goes as soon as it may. */
const withRadio = (design: Design): Design =>
  setPacket(
    wireAs(addControl(design, "radio", "r", { xMm: 0, yMm: -120, rotationDeg: 0, boardId: "panel" }), "spi-radio", [
      "r:radio",
    ]),
    { ...usualPacket, check: "crc16", gapMs: 1 },
  );

/** 16 MHz 8-bit: scans with pins read one by one and for nothing, twenty keys and all of them changing at once. */
export function firmwareRows(): Row[] {
  const design = keyboard64(8);
  const row = (what: string, value: number, unit: string, limit: number): Row => ({
    what,
    measured: `${value} ${unit}`,
    limit: `${limit} ${unit}`,
    ratio: limit / value,
  });
  const onPins = demoDesigns
    .filter(({ id }) => ON_PINS.includes(id))
    .map((demo) => ({ name: demo.name, ...cyclesOf(demo, everyContactOnce(demo, AT_ONCE), "one-by-one") }));
  const free = cyclesOf(design, everyKeyOnce(AT_ONCE), "free");
  return [
    row(
      `firmware, 64 keys, 8 layers, pin by pin: worst scan, ${AT_ONCE} at once`,
      cyclesOf(design, everyKeyOnce(AT_ONCE), "one-by-one").most,
      "cycles",
      CYCLES_A_MS,
    ),
    row("firmware: the same, pins for nothing", free.most, "cycles", CYCLES_A_MS),
    row(
      "firmware: worst scan, all 64 keys at once (may be late)",
      cyclesOf(design, everyKeyOnce(ALL), "one-by-one").most,
      "cycles",
      2 * CYCLES_A_MS,
    ),
    row(
      `firmware, 64 keys and a radio, pin by pin: worst scan, ${AT_ONCE} at once`,
      cyclesOf(withRadio(design), everyKeyOnce(AT_ONCE), "one-by-one").most,
      "cycles",
      CYCLES_A_MS,
    ),
    row("firmware: mean scan, pins for nothing", free.mean, "cycles", CYCLES_A_MS),
    ...onPins.map(({ name, most }) => row(`firmware, ${name}, pin by pin: worst scan`, most, "cycles", CYCLES_A_MS)),
    row("firmware: RAM by the formula, stack included", ramNeed(scanTableOf(design), design), "bytes", RAM),
    row("firmware: flash with its tables", buildAvr(design, workFolder()).flashBytes, "bytes", FLASH),
  ];
}
