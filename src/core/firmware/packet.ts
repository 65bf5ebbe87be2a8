import type { Element } from "../catalogue/kinds/controlKind";
import { PACKET_MOST, RADIO_CHECK, RADIO_FRAMING, RADIO_PARTS } from "../contract/radio";
import { BATTERY, BATTERY_LABEL } from "../derived/batteryValue";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { CHECK_BYTES, FLAG_MARKS, FLAG_TURNED, type PacketSettings } from "../hid/packetSettings";
import { packetOf } from "./packetOf";
import { goesBothWays } from "./reportShape";
import type { ScanTable } from "./scanTable";

/** One field of a radio's packet, and what its bytes are. */
export interface PacketField {
  of: "counter" | "keys" | "axis" | "knob" | "check";
  bytes: number;
  name: string;
  /** Of the keys: what each bit is, the first one lowest. */
  bits?: string[];
  /** Of an axis: it rests in the middle. */
  bothSides?: boolean;
}

function keysField({ switches }: ScanTable, nameOf: (elementId: string) => string): PacketField[] {
  if (switches.length === 0) return [];
  return [{ of: "keys", bytes: Math.ceil(switches.length / 8), name: "keys", bits: switches.map(nameOf) }];
}

/** What each element is called: its label, and its end where a control has several of its sort. */
function namesOf(design: Design): (elementId: string) => string {
  const { elements, controls } = derive(design);
  const sortOf = ({ controlId, kind }: Element) => `${controlId} ${kind}`;
  const alike = new Map<string, number>();
  for (const element of elements.values()) alike.set(sortOf(element), (alike.get(sortOf(element)) ?? 0) + 1);
  return (id) => {
    if (id === BATTERY) return BATTERY_LABEL;
    const element = elements.get(id)!;
    const { label } = controls.get(element.controlId)!;
    return alike.get(sortOf(element))! > 1 ? `${label} ${element.end}` : label;
  };
}

/** The fields of a packet in their order, its check value last. */
export function packetFields(scan: ScanTable, design: Design, packet: PacketSettings): PacketField[] {
  const nameOf = namesOf(design);
  const axes = scan.sensors.map((id): PacketField => {
    const bothSides = goesBothWays(design, id);
    return { of: "axis", bytes: packet.wide ? 2 : 1, name: nameOf(id), bothSides };
  });
  const knobs = scan.encoders.map(({ elementId }): PacketField => ({ of: "knob", bytes: 1, name: nameOf(elementId) }));
  const checkBytes = CHECK_BYTES[packet.check];
  return [
    ...(packet.counter ? [{ of: "counter", bytes: 1, name: "packets counted" } as const] : []),
    ...(packet.keys ? keysField(scan, nameOf) : []),
    ...(packet.axes ? axes : []),
    ...(packet.knobs ? knobs : []),
    ...(checkBytes > 0 ? [{ of: "check", bytes: checkBytes, name: "check value" } as const] : []),
  ];
}

export const fieldBytes = (fields: readonly PacketField[]): number => fields.reduce((sum, { bytes }) => sum + bytes, 0);

/** Whether a packet can be sent: something is in it, and it is not too long. */
export const packetFits = (fields: readonly PacketField[]): boolean =>
  fields.some(({ of }) => of !== "check" && of !== "counter") && fieldBytes(fields) <= PACKET_MOST;

/** Bytes of the structure without its check value: 0 where no radio is wired, or its packet cannot be sent. */
export function radioBytes(scan: ScanTable, design: Design): number {
  const packet = packetOf(design);
  if (!packet) return 0;
  const fields = packetFields(scan, design, packet);
  return packetFits(fields) ? fieldBytes(fields.filter(({ of }) => of !== "check")) : 0;
}

const FRAMING = {
  whole: RADIO_FRAMING.WHOLE,
  marked: RADIO_FRAMING.MARKED,
  characters: RADIO_FRAMING.MARKED,
  stuffed: RADIO_FRAMING.STUFFED,
};
const CHECK = {
  none: RADIO_CHECK.NONE,
  sum: RADIO_CHECK.SUM,
  crc8: RADIO_CHECK.CRC8,
  crc16: RADIO_CHECK.CRC16,
};

/** The marks that a packet is framed with. */
export const marksOf = ({ framing, marks }: PacketSettings) => (framing === "characters" ? marks : FLAG_MARKS);

/** The entry of a radio's packet, or nothing. */
export function radioTableBytes(scan: ScanTable, design: Design): number[] {
  const packet = packetOf(design);
  if (!packet || radioBytes(scan, design) === 0) return [];
  const { COUNTER, KEYS, AXES, WIDE, KNOBS, SEPARATES, ANSWERS } = RADIO_PARTS;
  const parts: [boolean, number][] = [
    [packet.counter, COUNTER],
    [packet.keys, KEYS],
    [packet.axes, AXES],
    [packet.wide, WIDE],
    [packet.knobs, KNOBS],
    [packet.framing === "characters", SEPARATES],
    [packet.answers, ANSWERS],
  ];
  const { start, separator, end, escape } = marksOf(packet);
  return [
    FRAMING[packet.framing],
    CHECK[packet.check],
    parts.reduce((sum, [is, bit]) => sum + (is ? bit : 0), 0),
    packet.gapMs,
    Math.ceil(packet.everyMs / 10),
    ...[start, separator, end, escape],
    packet.framing === "marked" ? FLAG_TURNED : 0,
  ];
}
