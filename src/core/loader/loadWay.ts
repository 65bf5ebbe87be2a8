import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { hasUsb8Chip } from "../chips/usb8Classes";

/** How a device comes onto a controller of a class: a finished image, files for its drive, or sources to compile. */
export type LoadWay = "image" | "python" | "compile";

/** The way that asks least of the builder: only the last one needs a compiler. */
export function loadWayOf({ id, firmware }: ControllerProfile): LoadWay {
  if (hasUsb8Chip(id)) return "image";
  return firmware.interpreted === "runs-usb" ? "python" : "compile";
}
