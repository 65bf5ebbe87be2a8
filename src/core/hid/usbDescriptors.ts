import { bytesOf } from "./descriptorWriter";
import { DESCRIPTOR } from "./descriptorTypes";
import { type InterfaceKind, type HidKind, isHid } from "./interfaceKinds";
import { reportNumber } from "./endpointPlan";
import { hidInterfaces } from "./interfaces";
import { musicItems } from "./musicInterfaces";
import { withReportId } from "./reportId";
import type { ReportShape } from "./reportShape";
import { serialItems } from "./serialInterfaces";
import type { UsbLayout } from "./usbLayout";
import { packetBytes } from "./packetBytes";

/** Who a device says it is. */
export interface UsbIdentity {
  vendorId: number;
  productId: number;
  maker: string;
  product: string;
}

const word = (value: number) => [value & 0xff, value >> 8];

/** Largest packet of the control endpoint in bytes. */
export const CONTROL_BYTES = 64;
const BUS_POWERED = 0x80;
const REMOTE_WAKE = 0x20;
const MA_UNITS = 2;
const USUAL_MA = 100;
const MOST_MA = 500;
const HID_CLASS = 3;
const BOOT_SUBCLASS = 1;
const BOOT_KEYBOARD = 1;
const HID_VERSION = 0x0111;
const USB_VERSION = 0x0200;
const DEVICE_VERSION = 0x0100;
const INTERRUPT = 3;
const IN = 0x80;

/** What a device says that it is, so that hosts look for interfaces that belong together (USB interface association descriptors). */
const ASSOCIATING = [0xef, 2, 1];
const BY_INTERFACE = [0, 0, 0];

/**
 * USB 2.0, table 9-8. Texts 1 and 2 are maker and product.
 * @param associates whether interfaces are told to belong together: a serial port's are
 */
export const deviceDescriptor = ({ vendorId, productId }: UsbIdentity, associates: boolean): number[] => [
  18,
  DESCRIPTOR.DEVICE,
  ...word(USB_VERSION),
  ...(associates ? ASSOCIATING : BY_INTERFACE),
  CONTROL_BYTES,
  ...word(vendorId),
  ...word(productId),
  ...word(DEVICE_VERSION),
  1,
  2,
  0,
  1,
];

/** HID 1.11, section 6.2.1: one report descriptor, no country. */
export const hidDescriptor = (group: readonly HidKind[], shape: ReportShape): number[] => [
  9,
  DESCRIPTOR.HID,
  ...word(HID_VERSION),
  0,
  1,
  DESCRIPTOR.REPORT,
  ...word(reportDescriptor(group, shape).length),
];

/** Of all reports that stand on an interface, one after another. */
export const reportDescriptor = (group: readonly HidKind[], shape: ReportShape): number[] =>
  group.flatMap((kind) => [...bytesOf(withReportId(hidInterfaces[kind].descriptor(shape), reportNumber(group, kind)))]);

/** Those of an interface of the HID class; null for music. */
export const hidGroup = (group: readonly InterfaceKind[]): HidKind[] | null => {
  const kinds = group.filter(isHid);
  return kinds.length === group.length ? kinds : null;
};

interface Asked {
  pollMs: number;
  musicIn: number | null;
}

function interfaceBytes(
  group: readonly InterfaceKind[],
  shape: ReportShape,
  number: number,
  { pollMs, musicIn }: Asked,
): number[] {
  const kinds = hidGroup(group);
  if (!kinds) return [...bytesOf(musicItems(number, number + 1, packetBytes(group, shape), musicIn))];
  const boots = kinds[0] === "keyboard" ? [BOOT_SUBCLASS, BOOT_KEYBOARD] : [0, 0];
  return [
    ...[9, DESCRIPTOR.INTERFACE, number, 0, 1, HID_CLASS, ...boots, 0],
    ...hidDescriptor(kinds, shape),
    ...[7, DESCRIPTOR.ENDPOINT, IN | (number + 1), INTERRUPT, ...word(packetBytes(kinds, shape)), pollMs],
  ];
}

/**
 * USB 2.0, table 9-10, with the interfaces' own descriptors behind it, in order; interface n of the reports has endpoint n + 1.
 * @param currentMa the most that the device takes once configured; a port grants 500 mA at most (7.2.1)
 */
export function configurationDescriptor(
  { plan, musicIn, serial, interfaces }: UsbLayout,
  shape: ReportShape,
  currentMa = USUAL_MA,
  pollMs = 1,
): number[] {
  const reports = plan.flatMap((group, number) => interfaceBytes(group, shape, number, { pollMs, musicIn }));
  const port = serial ? [...bytesOf(serialItems(serial.interface, serial.endpoint))] : [];
  const body = [...reports, ...port];
  const attributes = BUS_POWERED | REMOTE_WAKE;
  const head = [9, DESCRIPTOR.CONFIGURATION, ...word(9 + body.length), interfaces, 1, 0, attributes];
  return [...head, Math.ceil(Math.min(Math.max(currentMa, MA_UNITS), MOST_MA) / MA_UNITS), ...body];
}

const ENGLISH_US = 0x0409;
export const languageDescriptor: number[] = [4, DESCRIPTOR.STRING, ...word(ENGLISH_US)];

/** USB 2.0, section 9.6.7: UTF-16, at most 126 units. */
export function stringDescriptor(text: string): number[] {
  const units = Array.from({ length: Math.min(text.length, 126) }, (_, nth) => text.charCodeAt(nth));
  return [2 + 2 * units.length, DESCRIPTOR.STRING, ...units.flatMap(word)];
}
