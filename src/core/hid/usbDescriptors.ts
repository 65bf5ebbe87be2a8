import { bytesOf } from "./descriptorWriter";
import { DESCRIPTOR } from "./descriptorTypes";
import { type InterfaceKind, type HidKind, isHid } from "./interfaceKinds";
import { type EndpointPlan, reportNumber } from "./endpointPlan";
import { hidInterfaces } from "./interfaces";
import { MUSIC_INTERFACES, musicItems } from "./musicInterfaces";
import { withReportId } from "./reportId";
import type { ReportShape } from "./reportShape";
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

/** USB 2.0, table 9-8. Texts 1 and 2 are maker and product. */
export const deviceDescriptor = ({ vendorId, productId }: UsbIdentity): number[] => [
  18,
  DESCRIPTOR.DEVICE,
  ...word(USB_VERSION),
  0,
  0,
  0,
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

/** How many interfaces that are. */
export const interfaceCount = (plan: EndpointPlan): number =>
  plan.reduce((sum, [kind]) => sum + (isHid(kind) ? 1 : MUSIC_INTERFACES), 0);

/** Those of an interface of the HID class; null for music. */
export const hidGroup = (group: readonly InterfaceKind[]): HidKind[] | null => {
  const kinds = group.filter(isHid);
  return kinds.length === group.length ? kinds : null;
};

function interfaceBytes(group: readonly InterfaceKind[], shape: ReportShape, number: number, pollMs: number): number[] {
  const kinds = hidGroup(group);
  if (!kinds) return [...bytesOf(musicItems(number, number + 1, packetBytes(group, shape)))];
  const boots = kinds[0] === "keyboard" ? [BOOT_SUBCLASS, BOOT_KEYBOARD] : [0, 0];
  return [
    ...[9, DESCRIPTOR.INTERFACE, number, 0, 1, HID_CLASS, ...boots, 0],
    ...hidDescriptor(kinds, shape),
    ...[7, DESCRIPTOR.ENDPOINT, IN | (number + 1), INTERRUPT, ...word(packetBytes(kinds, shape)), pollMs],
  ];
}

/**
 * USB 2.0, table 9-10, with the interfaces' own descriptors behind it, in order; interface n has endpoint n + 1.
 * @param currentMa the most that the device takes once configured; a port grants 500 mA at most (7.2.1)
 */
export function configurationDescriptor(
  plan: EndpointPlan,
  shape: ReportShape,
  currentMa = USUAL_MA,
  pollMs = 1,
): number[] {
  const body = plan.flatMap((group, number) => interfaceBytes(group, shape, number, pollMs));
  const attributes = BUS_POWERED | REMOTE_WAKE;
  const head = [9, DESCRIPTOR.CONFIGURATION, ...word(9 + body.length), interfaceCount(plan), 1, 0, attributes];
  return [...head, Math.ceil(Math.min(Math.max(currentMa, MA_UNITS), MOST_MA) / MA_UNITS), ...body];
}

const ENGLISH_US = 0x0409;
export const languageDescriptor: number[] = [4, DESCRIPTOR.STRING, ...word(ENGLISH_US)];

/** USB 2.0, section 9.6.7: UTF-16, at most 126 units. */
export function stringDescriptor(text: string): number[] {
  const units = Array.from({ length: Math.min(text.length, 126) }, (_, nth) => text.charCodeAt(nth));
  return [2 + 2 * units.length, DESCRIPTOR.STRING, ...units.flatMap(word)];
}
