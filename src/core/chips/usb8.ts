import { type Usb8Class, hasUsb8Chip } from "./usb8Classes";

/**
 * The 8-bit USB chip of the catalogue's two 16 MHz classes (32 KiB flash, 2.5 KiB RAM): its ports by pin name, as the
 * common small module and the bare chip lead them out (from memory; held against the simulated chip by
 * tests/firmware/chipPins.test.ts).
 */

export interface ChipPin {
  /** B to F. */
  port: string;
  bit: number;
}

const at = (place: string): ChipPin => ({ port: place[0], bit: Number(place[1]) });
const named = (places: Record<string, string>): Record<string, ChipPin> =>
  Object.fromEntries(Object.entries(places).map(([name, place]) => [name, at(place)]));

const small18 = named({
  P0: "D2",
  P1: "D3",
  P2: "D1",
  P3: "D0",
  P4: "D4",
  P5: "C6",
  P6: "D7",
  P7: "E6",
  P8: "B4",
  P9: "B5",
  P10: "B6",
  P14: "B3",
  P15: "B1",
  P16: "B2",
  P18: "F7",
  P19: "F6",
  P20: "F5",
  P21: "F4",
});

/** The bare chip's pads are named by port and bit. */
const bare = "B0 B1 B2 B3 B4 B5 B6 B7 C6 C7 D0 D1 D2 D3 D4 D5 D6 D7 E2 E6 F0 F1 F4 F5 F6 F7".split(" ");
const usb44 = named(Object.fromEntries(bare.map((place) => [place, place])));

/** By controller class: the pins of the chip behind its pads. */
const chipPins: Record<Usb8Class, Record<string, ChipPin>> = { "small-5v-18": small18, "chip-8bit-usb-44": usb44 };

/** The chip's pin behind a pad, or null where the class has another chip. */
export const chipPinOf = (profileId: string, pad: string): ChipPin | null =>
  (hasUsb8Chip(profileId) && Object.hasOwn(chipPins[profileId], pad) && chipPins[profileId][pad]) || null;

/** Every pad of a class with the pin behind it. */
export const padsOf = (profileId: string): [pad: string, pin: ChipPin][] =>
  hasUsb8Chip(profileId) ? Object.entries(chipPins[profileId]) : [];

/** Address of a port's input register in data space; its direction lies one above, its level two. */
const inputAddress = (port: string) => 0x23 + 3 * (port.charCodeAt(0) - "B".charCodeAt(0));

/** A pin as the board block names it: the address of its port's input register, and its mask. */
export const pinBytes = ({ port, bit }: ChipPin): [address: number, mask: number] => [inputAddress(port), 1 << bit];

/** Which of the five ports an address belongs to, 0 for B. */
export const portNumber = (address: number): number => (address - inputAddress("B")) / 3;
