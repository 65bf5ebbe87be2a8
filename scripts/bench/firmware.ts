import { ramNeed } from "@/core/firmware/capacity";
import { scanPlanOf } from "@/core/firmware/scanPlan";
import { buildAvr, buildSimulator, play, workFolder } from "../../tests/firmware/builds";
import { everyKeyOnce, keyboard64 } from "../../tests/firmware/keyboard64";
import type { Row } from "./row";

const CYCLES_A_MS = 16_000;
const RAM = 2000;
const FLASH = 20 * 1024;
const AT_ONCE = 20;
const ALL = 64;

/** 64 keys, 8 layers, 16 MHz 8-bit: scans with a free HAL, 20 keys and all of them changing in one millisecond. */
export function firmwareRows(): Row[] {
  const folder = workFolder();
  const design = keyboard64(8);
  const image = buildAvr(design, folder);
  const simulator = buildSimulator(folder);
  const cycles = (atOnce: number) => {
    const { notes } = play(simulator, [image.binary], everyKeyOnce(atOnce));
    const read = (what: string) => Number(new RegExp(`${what} (\\d+)`).exec(notes)![1]);
    return { most: read("most"), mean: read("mean") };
  };
  const some = cycles(AT_ONCE);
  const row = (what: string, value: number, unit: string, limit: number): Row => ({
    what,
    measured: `${value} ${unit}`,
    limit: `${limit} ${unit}`,
    ratio: limit / value,
  });
  return [
    row(`firmware, 64 keys, 8 layers: worst scan, ${AT_ONCE} keys at once`, some.most, "cycles", CYCLES_A_MS),
    row("firmware: worst scan, all 64 keys at once (may be late)", cycles(ALL).most, "cycles", 2 * CYCLES_A_MS),
    row("firmware: mean scan of the first script", some.mean, "cycles", CYCLES_A_MS),
    row("firmware: RAM by the formula, stack included", ramNeed(scanPlanOf(design), design), "bytes", RAM),
    row("firmware: flash with its tables", image.flashBytes, "bytes", FLASH),
  ];
}
