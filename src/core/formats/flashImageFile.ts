import { good } from "../document/problem";
import { flashImage } from "../image/flashImage";
import { intelHex } from "../image/intelHex";
import { type Artifact, fileStem, utf8 } from "./artifact";

/** A device to load as it is: no compiler, nothing to write. The code comes with the first one that is asked for. */
export const flashImageFile: Artifact = {
  id: "flash-image",
  title: "Finished flash image",
  purpose: "For the 8-bit USB boards: code, pins, USB and keymap in one file to load; nothing to compile.",
  async make(design) {
    const { usb8Code } = await import("../image/usb8Code");
    const image = flashImage(design, usb8Code(design));
    if (!image.ok) return image;
    const bytes = utf8(intelHex(image.value.parts));
    return good({ fileName: `${fileStem(design)}-image.hex`, mediaType: "text/plain", bytes });
  },
};
