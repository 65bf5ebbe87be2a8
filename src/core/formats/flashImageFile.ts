import { zipSync } from "fflate";
import { halfName } from "../derived/halfName";
import { loadedAs } from "../derived/halves";
import type { Design } from "../document/schema";
import { type Result, bad, good } from "../document/problem";
import { flashImage } from "../image/flashImage";
import { intelHex } from "../image/intelHex";
import { stemOf } from "../fileStem";
import { type Artifact, type ExportedFile, FILE_DATE, fileStem, utf8 } from "./artifact";

/** A device to load as it is: no compiler, nothing to write. The code comes with the first one that is asked for. */
export const flashImageFile: Artifact = {
  id: "flash-image",
  title: "Finished flash image",
  purpose:
    "For the 8-bit USB boards: code, pins, USB and keymap in one file to load, or one for each part; nothing to compile.",
  async make(design) {
    const { usb8Code } = await import("../image/usb8Code");
    const images = Array.from({ length: Math.max(1, design.controllers.length) }, (_, nth) => {
      const [loaded, part] = loadedAs(design, nth);
      return flashImage(loaded, usb8Code(loaded), part);
    });
    const problems = images.flatMap((image) => (image.ok ? [] : image.problems));
    if (problems.length > 0) return bad(...unique(problems));
    const files = images.flatMap((image) => (image.ok ? [utf8(intelHex(image.value.parts))] : []));
    return files.length > 1 ? archiveOf(design, files) : good(fileOf(`${fileStem(design)}-image.hex`, files[0]));
  },
};

const fileOf = (fileName: string, bytes: Uint8Array): ExportedFile => ({ fileName, mediaType: "text/plain", bytes });

/** What stands against an image of one part mostly stands against those of the others. */
const unique = <T extends { message: string }>(problems: T[]): T[] =>
  problems.filter(({ message }, nth) => problems.findIndex((one) => one.message === message) === nth);

/** One image for each part, in the order of the controllers. */
function archiveOf(design: Design, files: Uint8Array[]): Result<ExportedFile> {
  const stem = `${fileStem(design)}-images`;
  const entries = files.map((bytes, part) => {
    const half = stemOf(halfName(design, design.controllers[part].id), "part");
    return [`${stem}/${part + 1}-${half}.hex`, bytes] as const;
  });
  const bytes = zipSync(Object.fromEntries(entries), { mtime: FILE_DATE, level: 6 });
  return good({ fileName: `${stem}.zip`, mediaType: "application/zip", bytes });
}
