import { crc16 } from "../contract/crc16";
import type { Design } from "../document/schema";
import { type PacketField, marksOf, packetFields } from "../firmware/packet";
import { packetOf } from "../firmware/packetOf";
import { scanTableOf } from "../firmware/scanTable";
import { FLAG_TURNED, type PacketCheck, type PacketMarks, type PacketSettings } from "../hid/packetSettings";

/** The rest of a division by x^8 + x^2 + x + 1, from 0 on. */
export const crc8 = (bytes: Iterable<number>): number => {
  let rest = 0;
  for (const byte of bytes) {
    rest ^= byte;
    for (let bit = 0; bit < 8; bit++) rest = (rest & 0x80 ? (rest << 1) ^ 0x07 : rest << 1) & 0xff;
  }
  return rest;
};

/** A check value as it stands behind a packet, the high byte first. */
export function checkValue(check: PacketCheck, bytes: readonly number[]): number[] {
  if (check === "none") return [];
  if (check === "sum") return [bytes.reduce((sum, byte) => (sum + byte) & 0xff, 0)];
  if (check === "crc8") return [crc8(bytes)];
  const crc = crc16(Uint8Array.from(bytes));
  return [crc >> 8, crc & 0xff];
}

/** One value that a packet tells. */
export interface PacketValue {
  name: string;
  words: string;
}

/** What a receiver makes of what came: the values, or why it takes none. */
export type Received = { ok: true; number: number | null; values: PacketValue[] } | { ok: false; why: string };

/** Undoes the framing of what came between two ends. @returns the fields' bytes, or why there are none */
type Unframe = (bytes: number[], fields: readonly PacketField[]) => number[] | string;

/** From a start to an end; a mark behind an escape is data. Separators must stand where fields meet. */
const unmarked =
  (marks: PacketMarks, turned: number, separates: boolean): Unframe =>
  (bytes, fields) => {
    const ends = new Set<number>();
    let sum = 0;
    for (const field of fields) ends.add((sum += field.bytes));
    const data: number[] = [];
    for (let at = 0; at < bytes.length; at++) {
      if (bytes[at] === marks.escape) {
        at += 1;
        if (at === bytes.length) return "it ends behind an escape";
        data.push(bytes[at] ^ turned);
      } else if (separates && bytes[at] === marks.separator) {
        if (!ends.has(data.length)) return "a separator stands in the middle of a field";
      } else data.push(bytes[at]);
    }
    return data;
  };

/** Each code says how far it is to the next; a zero was where it stands. */
const unstuffed: Unframe = (bytes) => {
  const data: number[] = [];
  for (let at = 0; at < bytes.length;) {
    const code = bytes[at];
    if (at + code > bytes.length) return "a code leads beyond the end";
    data.push(...bytes.slice(at + 1, at + code));
    at += code;
    if (at < bytes.length && code < 0xff) data.push(0);
  }
  return data;
};

const hex = (bytes: readonly number[]) =>
  bytes.map((byte) => byte.toString(16).toUpperCase().padStart(2, "0")).join(" ");

/** Of an axis percents from where it rests; of keys those that are down. */
function valueOf(field: PacketField, bytes: readonly number[]): string {
  if (field.of === "keys") {
    const down = field.bits!.filter((_, nth) => (bytes[nth >> 3] >> (nth & 7)) & 1);
    return down.join(", ") || "none down";
  }
  const value = bytes.reduce((sum, byte, nth) => sum + byte * 256 ** nth, 0);
  if (field.of !== "axis") return String(value);
  const [rest, most] = field.bytes === 2 ? [0x2000, 0x3fff] : [0x80, 0xff];
  const percent = field.bothSides ? (100 * (value - rest)) / (value > rest ? most - rest : rest) : (100 * value) / most;
  return `${Math.round(percent)} %`;
}

/** The other end of a radio: it puts packets together from what comes, and says what it makes of each. */
export class PacketReceiver {
  private readonly unframe: Unframe | null;
  private pending: number[] | null = null;
  private isEscaped = false;

  constructor(
    private readonly packet: PacketSettings,
    private readonly fields: readonly PacketField[],
    private readonly marks: PacketMarks,
  ) {
    const { framing } = packet;
    const turned = framing === "marked" ? FLAG_TURNED : 0;
    this.unframe =
      framing === "whole"
        ? null
        : framing === "stuffed"
          ? unstuffed
          : unmarked(marks, turned, framing === "characters");
    if (framing === "stuffed") this.pending = [];
  }

  /** What comes in one go; of a stream any number of packets may end in it. */
  take(bytes: Iterable<number>): Received[] {
    if (!this.unframe) return [this.read([...bytes])];
    return [...bytes].flatMap((byte) => this.next(byte) ?? []);
  }

  private next(byte: number): Received | null {
    return this.packet.framing === "stuffed" ? this.nextStuffed(byte) : this.nextMarked(byte);
  }

  private nextStuffed(byte: number): Received | null {
    if (byte !== 0) {
      this.pending!.push(byte);
      return null;
    }
    const frame = this.pending!;
    this.pending = [];
    return frame.length === 0 ? null : this.read(frame);
  }

  /** One flag may be the end of a packet and the start of the next one (RFC 1662, section 4.1). */
  private nextMarked(byte: number): Received | null {
    const { start, end, escape } = this.marks;
    if (this.isEscaped) return this.behindEscape(byte);
    if (byte === end && this.pending && (start !== end || this.pending.length > 0)) {
      const frame = this.pending;
      this.pending = start === end ? [] : null;
      return this.read(frame);
    }
    if (byte === start) {
      const wasIn = this.pending !== null && this.pending.length > 0;
      this.pending = [];
      return wasIn ? { ok: false, why: "it begins anew before its end" } : null;
    }
    if (byte === escape) this.isEscaped = this.pending !== null;
    this.pending?.push(byte);
    return null;
  }

  /** Data, whatever it is; but a flag there ends a packet that is not to be taken (RFC 1662, section 4.3). */
  private behindEscape(byte: number): Received | null {
    this.isEscaped = false;
    if (byte !== this.marks.end || this.packet.framing !== "marked") {
      this.pending?.push(byte);
      return null;
    }
    this.pending = [];
    return { ok: false, why: "it is broken off" };
  }

  private read(frame: number[]): Received {
    const data = this.unframe ? this.unframe(frame, this.fields) : frame;
    if (typeof data === "string") return { ok: false, why: data };
    const bytes = this.fields.reduce((sum, field) => sum + field.bytes, 0);
    if (data.length !== bytes) return { ok: false, why: `it has ${data.length} bytes, not ${bytes}` };
    const check = checkValue(this.packet.check, data.slice(0, bytes - this.checkBytes()));
    const came = data.slice(bytes - check.length);
    if (check.some((byte, nth) => byte !== came[nth]))
      return { ok: false, why: `its check value is ${hex(came)}, not ${hex(check)}` };
    return { ok: true, ...this.valuesOf(data) };
  }

  private checkBytes(): number {
    return this.fields.find(({ of }) => of === "check")?.bytes ?? 0;
  }

  private valuesOf(data: readonly number[]) {
    let at = 0;
    let number: number | null = null;
    const values: PacketValue[] = [];
    for (const field of this.fields) {
      const bytes = data.slice(at, (at += field.bytes));
      if (field.of === "counter") number = bytes[0];
      else if (field.of !== "check") values.push({ name: field.name, words: valueOf(field, bytes) });
    }
    return { number, values };
  }
}

/** What stands at the other end of a design's radio; null where it has none. */
export function receiverOf(design: Design): PacketReceiver | null {
  const packet = packetOf(design);
  if (!packet) return null;
  return new PacketReceiver(packet, packetFields(scanTableOf(design), design, packet), marksOf(packet));
}
