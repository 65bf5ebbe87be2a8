import { LINK } from "../contract/link";
import { GOOD_LINE } from "./lineTrouble";
import type { PartsBetween } from "./partsBetween";

/** Time of a byte on the line, in ms. */
const BYTE_MS = 1 / LINK.BYTES_A_MS;

interface Byte {
  value: number;
  arrivesMs: number;
}

/** A serial line each way between two parts: every byte takes its time, some are damaged, and a cut line loses those that are on it. */
export class PartLine implements PartsBetween {
  trouble = GOOD_LINE;
  private readonly towards: Byte[][] = [[], []];
  private readonly freeMs = [0, 0];

  constructor(private readonly random: () => number) {}

  /** A part puts a frame on the line; it begins when the one before has gone. */
  send(from: number, bytes: Uint8Array, nowMs: number): void {
    const to = 1 - from;
    if (this.trouble.isCut) return;
    let at = Math.max(nowMs, this.freeMs[to]);
    for (const byte of bytes) {
      at += BYTE_MS;
      this.towards[to].push({ value: this.passed(byte), arrivesMs: at });
    }
    this.freeMs[to] = at;
  }

  /** A damaged byte has one bit turned. */
  private passed(byte: number): number {
    const { oneDamagedOf } = this.trouble;
    if (oneDamagedOf === 0 || this.random() * oneDamagedOf >= 1) return byte;
    return byte ^ (1 << Math.floor(this.random() * 8));
  }

  cutOff(): void {
    for (const on of this.towards) on.length = 0;
  }

  /** What has come to a part up to a time. */
  arrived(part: number, untilMs: number): Uint8Array {
    const on = this.towards[part];
    // Sums of a byte's time are a little off.
    const late = on.findIndex(({ arrivesMs }) => arrivesMs > untilMs + BYTE_MS / 2);
    return Uint8Array.from(on.splice(0, late < 0 ? on.length : late), ({ value }) => value);
  }
}
