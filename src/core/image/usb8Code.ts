import type { Design } from "../document/schema";
import { scanTableOf } from "../firmware/scanTable";
import type { PrebuiltCode } from "./flashImage";
import { type ImageId, imageFor, usb8Images } from "./usb8Images";
import { IMAGE_CODE_HEX } from "./usb8Image.generated";
import { IMAGE_ARENA_BYTES } from "./usb8Memory.generated";

/** One of the prebuilt images' code. */
export const codeOf = (id: ImageId): PrebuiltCode => ({
  image: usb8Images.find((image) => image.id === id)!,
  bytes: Uint8Array.from(IMAGE_CODE_HEX[id].match(/../g)!, (byte) => parseInt(byte, 16)),
  arenaBytes: IMAGE_ARENA_BYTES,
});

/** The prebuilt code for a design on the 8-bit USB class. */
export const usb8Code = (design: Design): PrebuiltCode => codeOf(imageFor(design, scanTableOf(design)).id);
