/** One short item of a HID report descriptor (USB HID 1.11, section 6.2.2.2) and what it says, in words. */
export interface DescriptorItem {
  bytes: number[];
  /** The item as the specification writes it: "Usage Minimum (224)". */
  name: string;
  meaning: string;
  /** How many collections it stands in. */
  depth: number;
}

/** Item prefixes without their size bits (USB HID 1.11, section 6.2.2.4 to 6.2.2.8). */
export const PREFIX = {
  input: 0x80,
  output: 0x90,
  feature: 0xb0,
  collection: 0xa0,
  endCollection: 0xc0,
  usagePage: 0x04,
  logicalMinimum: 0x14,
  logicalMaximum: 0x24,
  physicalMinimum: 0x34,
  physicalMaximum: 0x44,
  unit: 0x64,
  reportSize: 0x74,
  reportId: 0x84,
  reportCount: 0x94,
  usage: 0x08,
  usageMinimum: 0x18,
  usageMaximum: 0x28,
} as const;

const littleEndian = (value: number, size: number) => Array.from({ length: size }, (_, i) => (value >> (8 * i)) & 0xff);

/** Fewest bytes that hold the value; size code 0…3 stands for 0, 1, 2, 4 bytes. */
function sized(prefix: number, value: number, fits: (size: number) => boolean): number[] {
  const size = [1, 2, 4].find(fits) ?? 4;
  return [prefix | (size === 4 ? 3 : size), ...littleEndian(value, size)];
}

/** An item whose value has no sign (usages, sizes, counts, flags). */
export const unsignedItem = (prefix: number, value: number): number[] =>
  sized(prefix, value, (size) => value < 2 ** (8 * size));

/** An item whose value has a sign (logical limits): 255 needs two bytes, since FF alone is −1. */
export const signedItem = (prefix: number, value: number): number[] =>
  sized(prefix, value, (size) => value >= -(2 ** (8 * size - 1)) && value < 2 ** (8 * size - 1));
