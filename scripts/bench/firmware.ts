import { buildAvr, buildSimulator, play, workFolder } from "../../tests/firmware/builds";
import { everyKeyOnce, keyboard64 } from "../../tests/firmware/keyboard64";
import type { Row } from "./row";

const CYCLES_A_MS = 16_000;
const RAM = 1024;
const FLASH = 12 * 1024;

/** 64 keys, 8 layers, 16 MHz 8-bit: the worst scan of a script in which at last all keys change at once. */
export function firmwareRows(): Row[] {
  const folder = workFolder();
  const image = buildAvr(keyboard64(8), folder);
  const { notes } = play(buildSimulator(folder), [image.binary], everyKeyOnce());
  const most = Number(/most (\d+)/.exec(notes)![1]);
  const mean = Number(/mean (\d+)/.exec(notes)![1]);
  return [
    {
      what: "firmware, 64 keys, 8 layers: worst scan",
      measured: `${most} cycles`,
      limit: `${CYCLES_A_MS} cycles`,
      ratio: CYCLES_A_MS / most,
    },
    {
      what: "firmware: mean scan of the same script",
      measured: `${mean} cycles`,
      limit: `${CYCLES_A_MS} cycles`,
      ratio: CYCLES_A_MS / mean,
    },
    {
      what: "firmware: RAM (data and bss)",
      measured: `${image.ramBytes} bytes`,
      limit: `${RAM} bytes`,
      ratio: RAM / image.ramBytes,
    },
    {
      what: "firmware: flash with its tables",
      measured: `${image.flashBytes} bytes`,
      limit: `${FLASH} bytes`,
      ratio: FLASH / image.flashBytes,
    },
  ];
}
