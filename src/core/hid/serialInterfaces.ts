import { DESCRIPTOR } from "./descriptorTypes";
import type { DescriptorItem } from "./descriptorItem";

const COMMUNICATION = 2;
const DATA = 0x0a;
/** The simplest kind of the class: bytes in and out, and no commands among them (PSTN 1.2, table 1 and 3.2). */
const ABSTRACT_CONTROL = 2;
const NO_PROTOCOL = 0;
const CLASS_INTERFACE = 0x24;
const INTERRUPT = 3;
const BULK = 2;
const IN = 0x80;
const VERSION = [0x20, 0x01];
/** How often, in ms, a host asks whether the device has something to say of its line: it never has. */
const ASKED_MS = 16;

/** Interfaces of one serial port: what tells of the line, and what carries bytes. */
export const SERIAL_INTERFACES = 2;
/** Its endpoints: what tells of the line, bytes from the computer, bytes to it. */
export const SERIAL_ENDPOINTS = 3;
/** Largest packets, in bytes: what would tell of the line, and bytes of lines. */
export const SERIAL_PACKETS = { told: 8, data: 64 } as const;

const item = (name: string, meaning: string, bytes: number[], depth = 1): DescriptorItem => ({
  name,
  meaning,
  bytes,
  depth,
});

const endpointItem = (number: number, isIn: boolean, isBulk: boolean, meaning: string): DescriptorItem =>
  item(`Endpoint (${number}, ${isIn ? "In" : "Out"}, ${isBulk ? "Bulk" : "Interrupt"})`, meaning, [
    ...[7, DESCRIPTOR.ENDPOINT, isIn ? IN | number : number, isBulk ? BULK : INTERRUPT],
    ...[isBulk ? SERIAL_PACKETS.data : SERIAL_PACKETS.told, 0, isBulk ? 0 : ASKED_MS],
  ]);

/** What a port says of itself (CDC 1.2, section 5.2.3; PSTN 1.2, section 5.3). */
const functional = (first: number): DescriptorItem[] => [
  item("Header", "communication class 1.20", [5, CLASS_INTERFACE, 0, ...VERSION]),
  item("Call Management", "no calls are made", [5, CLASS_INTERFACE, 1, 0, first + 1]),
  item("Abstract Control", "its speed is told and kept; no wire has it", [...[4, CLASS_INTERFACE, 2, 2]]),
  item("Union", `interfaces ${first} and ${first + 1} are one port`, [5, CLASS_INTERFACE, 6, first, first + 1]),
];

/**
 * A serial port of the communication class, over which a computer tells lines of text (CDC 1.2; PSTN 1.2).
 * @param first number of its first interface; the other is the next
 * @param endpoint number of the first of its three endpoints
 */
export const serialItems = (first: number, endpoint: number): DescriptorItem[] => [
  item(
    "Interface Association (2)",
    "the next two interfaces are one thing",
    [8, DESCRIPTOR.ASSOCIATION, first, SERIAL_INTERFACES, COMMUNICATION, ABSTRACT_CONTROL, NO_PROTOCOL, 0],
    0,
  ),
  item(
    `Interface (${first}, Communication)`,
    "a serial port begins",
    [9, DESCRIPTOR.INTERFACE, first, 0, 1, COMMUNICATION, ABSTRACT_CONTROL, NO_PROTOCOL, 0],
    0,
  ),
  ...functional(first),
  endpointItem(endpoint, true, false, "would tell of the line, and never does"),
  item(
    `Interface (${first + 1}, Data)`,
    "and this carries its bytes",
    [9, DESCRIPTOR.INTERFACE, first + 1, 0, 2, DATA, 0, 0, 0],
    0,
  ),
  endpointItem(endpoint + 1, false, true, `lines of text, up to ${SERIAL_PACKETS.data} bytes`),
  endpointItem(endpoint + 2, true, true, "to the computer; the device sends none"),
];
