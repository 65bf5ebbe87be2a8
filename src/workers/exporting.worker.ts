import { expose } from "comlink";
import { loadedAs } from "@/core/derived/halves";
import type { Design } from "@/core/document/schema";
import { artifactNamed } from "@/core/exports/registry";
import { schematicPages } from "@/core/formats/schematic/schematicSvg";
import type { Attached } from "@/core/journal/attached";
import { flashImage } from "@/core/image/flashImage";
import { usb8Code } from "@/core/image/usb8Code";
import { bringAllLanguages } from "@/core/languages/allLanguages";

bringAllLanguages();

/** Makes a file of a design; solids of large plates take many seconds. */
const make = (design: Design, id: string, attached: Attached) => artifactNamed(id)!.make(design, attached);

/** The finished image of one of its parts with its sizes, to be shown and loaded. */
function image(design: Design, nth: number) {
  const [loaded, part] = loadedAs(design, nth);
  return flashImage(loaded, usb8Code(loaded), part);
}

export const exportingTasks = { make, image, drawing: schematicPages };
export type ExportingTasks = typeof exportingTasks;

expose(exportingTasks);
