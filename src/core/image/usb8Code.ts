import type { PrebuiltCode } from "./flashImage";
import { IMAGE_ARENA_BYTES, IMAGE_CODE_HEX } from "./usb8Image.generated";

/** The prebuilt code for the 8-bit USB class. */
export const usb8Code = (): PrebuiltCode => ({
  bytes: Uint8Array.from(IMAGE_CODE_HEX.match(/../g)!, (byte) => parseInt(byte, 16)),
  arenaBytes: IMAGE_ARENA_BYTES,
});
