import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { chipPinOf, pinBytes, portNumber } from "../chips/usb8";
import type { BlockPins } from "./boardLines";

/** Pins of the 8-bit USB classes: the address of a port's input register, and a mask. */
export const usb8Pins = ({ id, pins }: ControllerProfile): BlockPins => ({
  pin(pad) {
    const pin = chipPinOf(id, pad);
    return pin && pinBytes(pin);
  },
  level: ([address, mask]) => ({ at: portNumber(address), mask }),
  channel: (pad) => pins.find(({ name }) => name === pad)?.analogChannel ?? 0,
});
