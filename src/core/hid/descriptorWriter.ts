import { type DescriptorItem, PREFIX, signedItem, unsignedItem } from "./descriptorItem";

const PAGE_NAMES: Record<number, string> = {
  0x01: "Generic Desktop",
  0x07: "Key Codes",
  0x08: "LEDs",
  0x09: "Button",
  0x0c: "Consumer",
  0xff00: "Vendor-defined",
};

interface MainFlags {
  constant?: boolean;
  variable?: boolean;
  relative?: boolean;
  /** A value outside of its range tells nothing. */
  nullState?: boolean;
}

/** Bits of Input and Output items: constant, variable, relative, null state (USB HID 1.11, section 6.2.2.5). */
const flagBits = ({ constant, variable, relative, nullState }: MainFlags) =>
  (constant ? 1 : 0) | (variable ? 2 : 0) | (relative ? 4 : 0) | (nullState ? 0x40 : 0);
function flagWords({ constant, variable, relative, nullState }: MainFlags): string {
  if (constant) return "Constant";
  if (!variable) return "Data, Array";
  return `Data, Variable, ${relative ? "Relative" : "Absolute"}${nullState ? ", Null State" : ""}`;
}

/** Writes a report descriptor item by item, keeping for each what it means. */
export class DescriptorWriter {
  readonly items: DescriptorItem[] = [];
  private depth = 0;

  private add(bytes: number[], name: string, meaning: string) {
    this.items.push({ bytes, name, meaning, depth: this.depth });
    return this;
  }

  usagePage(page: number, meaning: string) {
    return this.add(unsignedItem(PREFIX.usagePage, page), `Usage Page (${PAGE_NAMES[page]})`, meaning);
  }

  usage(usage: number, name: string, meaning: string) {
    return this.add(unsignedItem(PREFIX.usage, usage), `Usage (${name})`, meaning);
  }

  usages(minimum: number, maximum: number, meaning: string) {
    this.add(unsignedItem(PREFIX.usageMinimum, minimum), `Usage Minimum (${minimum})`, meaning);
    return this.add(unsignedItem(PREFIX.usageMaximum, maximum), `Usage Maximum (${maximum})`, "the last of them");
  }

  logical(minimum: number, maximum: number, meaning: string) {
    this.add(signedItem(PREFIX.logicalMinimum, minimum), `Logical Minimum (${minimum})`, meaning);
    return this.add(signedItem(PREFIX.logicalMaximum, maximum), `Logical Maximum (${maximum})`, "the highest value");
  }

  /** Its values are eighths of a turn. */
  physical360() {
    this.add(signedItem(PREFIX.physicalMinimum, 0), "Physical Minimum (0)", "0 degrees");
    this.add(signedItem(PREFIX.physicalMaximum, 315), "Physical Maximum (315)", "315 degrees, clockwise");
    return this.add(unsignedItem(PREFIX.unit, 0x14), "Unit (Degrees)", "what the physical values are");
  }

  /** What follows has no physical values. */
  noUnit() {
    this.add(signedItem(PREFIX.physicalMinimum, 0), "Physical Minimum (0)", "the next values stand for themselves");
    this.add(signedItem(PREFIX.physicalMaximum, 0), "Physical Maximum (0)", "both 0: no physical values");
    return this.add(unsignedItem(PREFIX.unit, 0), "Unit (None)", "no unit either");
  }

  size(bits: number) {
    return this.add(unsignedItem(PREFIX.reportSize, bits), `Report Size (${bits})`, "bits in one field");
  }

  count(count: number, meaning: string) {
    return this.add(unsignedItem(PREFIX.reportCount, count), `Report Count (${count})`, meaning);
  }

  input(flags: MainFlags, meaning: string) {
    return this.add(unsignedItem(PREFIX.input, flagBits(flags)), `Input (${flagWords(flags)})`, meaning);
  }

  output(flags: MainFlags, meaning: string) {
    return this.add(unsignedItem(PREFIX.output, flagBits(flags)), `Output (${flagWords(flags)})`, meaning);
  }

  feature(flags: MainFlags, meaning: string) {
    return this.add(unsignedItem(PREFIX.feature, flagBits(flags)), `Feature (${flagWords(flags)})`, meaning);
  }

  application(meaning: string) {
    this.add(unsignedItem(PREFIX.collection, 1), "Collection (Application)", meaning);
    this.depth += 1;
    return this;
  }

  physical(meaning: string) {
    this.add(unsignedItem(PREFIX.collection, 0), "Collection (Physical)", meaning);
    this.depth += 1;
    return this;
  }

  end(meaning = "the device's description is complete") {
    this.depth -= 1;
    return this.add([PREFIX.endCollection], "End Collection", meaning);
  }
}

export const bytesOf = (items: DescriptorItem[]): Uint8Array => Uint8Array.from(items.flatMap((item) => item.bytes));
