import { demoDesigns } from "../../demo";
import { FLASH_MAP } from "@/core/contract/board";
import { usb8Code } from "@/core/image/usb8Code";
import { play, workFolder } from "../../tests/firmware/builds";
import {
  buildUsbHost,
  imageFiles,
  manyAtOnce,
  onSmallClass,
  recordContacts,
  toldOf,
} from "../../tests/firmware/usbChip";
import type { Row } from "./row";

const CYCLES_A_MS = 16_000;
const AT_ONCE = 20;

const row = (what: string, value: number, unit: string, limit: number): Row => ({
  what,
  measured: `${value} ${unit}`,
  limit: `${limit} ${unit}`,
  ratio: limit / value,
});

/** The finished image on the simulated chip, every demo on the small 5 V class: cycles with the true cost of all pins. */
export function chipRows(): Row[] {
  const host = buildUsbHost(workFolder());
  const scans = demoDesigns.flatMap((demo) => {
    const design = onSmallClass(demo);
    const { notes } = play(
      host,
      imageFiles(design, workFolder()),
      recordContacts(design, manyAtOnce(design, AT_ONCE)).script,
    );
    return [
      row(`finished image, ${demo.name}: worst scan, ${AT_ONCE} at once`, toldOf(notes, "most"), "cycles", CYCLES_A_MS),
      row(`finished image, ${demo.name}: mean scan of that use`, toldOf(notes, "mean"), "cycles", CYCLES_A_MS),
    ];
  });
  return [row("finished image: flash of the code", usb8Code().bytes.length, "bytes", FLASH_MAP.BOARD), ...scans];
}
