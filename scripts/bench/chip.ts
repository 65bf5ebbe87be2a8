import { ramNeed } from "@/core/firmware/capacity";
import { completePad, completeUse } from "../../tests/firmware/completePad";
import { fullKeymap, fullUse } from "../../tests/firmware/fullKeymap";
import { demoDesigns } from "../../demo";
import { LOADER_AT } from "@/core/contract/board";
import { IMAGE_ARENA_BYTES, IMAGE_VARIABLE_BYTES } from "@/core/image/usb8Memory.generated";
import { codeOf } from "@/core/image/usb8Code";
import { play, workFolder } from "../../tests/firmware/builds";
import { onSmallClass } from "../../tests/firmware/onSmallClass";
import { buildUsbHost, imageFiles, manyAtOnce, recordOnChip, toldOf } from "../../tests/firmware/usbChip";
import { usb8Images } from "@/core/image/usb8Images";
import { scanTableOf } from "@/core/firmware/scanTable";
import { usb8FeatureBytes } from "../buildFirmware.mjs";
import { byItselfRows } from "./byItself";
import type { Row } from "./row";

/** Of the chip. */
const RAM_BYTES = 2560;
const CYCLES_A_MS = 16_000;
const AT_ONCE = 20;

const row = (what: string, value: number, unit: string, limit: number): Row => ({
  what,
  measured: `${value} ${unit}`,
  limit: `${limit} ${unit}`,
  ratio: limit / value,
});

/** What a feature's files take of flash, each compiled alone; together they are smaller, as the linker looks at all. */
const featureRows = (): Row[] =>
  Object.entries(usb8FeatureBytes()).map(([feature, bytes]) =>
    row(`finished image: flash of ${feature}, alone`, bytes, "bytes", LOADER_AT),
  );

const PRESSES = 60;
/** What a press may take from contact to host beyond debounce and polling, in ms: a scan begins and ends. */
const SCAN_MS = 2;

/** From a contact that closes at any time to the host that asks every so often: least, mean and most. */
function latencyRows(host: string): Row[] {
  const pad = demoDesigns.find(({ id }) => id === "kestrel")!;
  return (["deferred", "eager"] as const).flatMap((school) =>
    [1, 8].map((everyMs) => {
      const design = onSmallClass({ ...pad, timing: { ...pad.timing, debounce: { school, ms: 5 } } });
      const contact = String(scanTableOf(design).conductors.findIndex(({ contact: one }) => one.endsWith(":press")));
      const { output } = play(
        host,
        [...imageFiles(design, workFolder()), "latency", contact, String(everyMs), String(PRESSES)],
        "",
      );
      const ms = output
        .trim()
        .split("\n")
        .map((us) => Number(us) / 1000);
      const [least, most] = [Math.min(...ms), Math.max(...ms)];
      const mean = ms.reduce((a, b) => a + b, 0) / ms.length;
      const limit = (school === "deferred" ? 5 : 0) + everyMs + SCAN_MS;
      return {
        what: `finished image: press to host, 5 ms ${school}, asked every ${everyMs} ms`,
        measured: `${least.toFixed(1)} / ${mean.toFixed(1)} / ${most.toFixed(1)} ms`,
        limit: `${limit} ms`,
        ratio: limit / most,
      };
    }),
  );
}

/** The most that a keymap is promised for: 64 keys, 8 layers, 16 sets of keys together, a macro that plays. */
function fullRows(host: string): Row[] {
  const design = fullKeymap();
  const { script } = recordOnChip(design, fullUse(design, AT_ONCE));
  const { notes } = play(host, imageFiles(design, workFolder()), script);
  const what = "64 keys, 8 layers, 16 sets, a macro";
  return [
    row(`finished image, ${what}: worst scan, ${AT_ONCE} at once`, toldOf(notes, "most"), "cycles", CYCLES_A_MS),
    row(`${what}: RAM by the formula`, ramNeed(scanTableOf(design), design), "bytes", RAM_BYTES),
  ];
}

/** The most that a game pad is promised for. */
function completeRows(host: string): Row[] {
  const design = completePad();
  const { notes } = play(
    host,
    imageFiles(design, workFolder()),
    recordOnChip(design, completeUse(design, AT_ONCE)).script,
  );
  const what = "64 keys, 4 axes, a display's page, a game pad";
  return [
    row(`finished image, ${what}: worst scan, ${AT_ONCE} at once`, toldOf(notes, "most"), "cycles", CYCLES_A_MS),
    row(`${what}: RAM by the formula`, ramNeed(scanTableOf(design), design), "bytes", RAM_BYTES),
  ];
}

/** The finished image on the simulated chip, every demo on the small 5 V class: cycles with the true cost of all pins. */
export function chipRows(): Row[] {
  const host = buildUsbHost();
  let stack = 0;
  const scans = demoDesigns.flatMap((demo) => {
    const design = onSmallClass(demo);
    const { notes } = play(
      host,
      imageFiles(design, workFolder()),
      recordOnChip(design, manyAtOnce(design, AT_ONCE)).script,
    );
    stack = Math.max(stack, toldOf(notes, "stack"));
    return [
      row(`finished image, ${demo.name}: worst scan, ${AT_ONCE} at once`, toldOf(notes, "most"), "cycles", CYCLES_A_MS),
      row(`finished image, ${demo.name}: mean scan of that use`, toldOf(notes, "mean"), "cycles", CYCLES_A_MS),
    ];
  });
  const whole = usb8Images.map(({ id, with: own, boardAt }) =>
    row(
      `finished image "${id}" (${["keys, knobs, macros", ...own].join(", ")}): flash`,
      codeOf(id).bytes.length,
      "bytes",
      boardAt,
    ),
  );
  const ram = Math.max(...Object.values(IMAGE_VARIABLE_BYTES)) + IMAGE_ARENA_BYTES + stack;
  const memory = row("finished image: RAM of variables, arena and the deepest stack seen", ram, "bytes", RAM_BYTES);
  return [
    ...whole,
    memory,
    ...featureRows(),
    ...scans,
    ...fullRows(host),
    ...completeRows(host),
    ...byItselfRows(host),
    ...latencyRows(host),
  ];
}
