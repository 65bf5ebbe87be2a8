import { type MusicEvent, musicEventOf } from "../hid/musicEvents";

const STATUS = 0x80;
/** From here on a status is told to everything; from the second on it is one byte of real time, which may come between any others (MIDI 1.0). */
const SYSTEM = 0xf0;
const REAL_TIME = 0xf8;
/** Programs and the pressure of a channel have one value. */
const ONE_VALUE = [0xc0, 0xd0];

/** An instrument on a socket: makes events of bytes as they come, by MIDI 1.0 alone. */
export class SocketReceiver {
  private status = 0;
  private values: number[] = [];
  /** Bytes that belong to no event. */
  lost = 0;

  /** @returns the events that these bytes complete */
  take(bytes: Uint8Array): MusicEvent[] {
    return [...bytes].flatMap((byte) => this.event(byte) ?? []);
  }

  private event(byte: number): MusicEvent | null {
    if (byte >= REAL_TIME) return null;
    if (byte >= STATUS) {
      this.lost += this.values.length;
      this.values = [];
      this.status = byte < SYSTEM ? byte : 0;
      return null;
    }
    if (this.status === 0) {
      this.lost += 1;
      return null;
    }
    this.values.push(byte);
    const wanted = ONE_VALUE.includes(this.status & 0xf0) ? 1 : 2;
    if (this.values.length < wanted) return null;
    const event = musicEventOf([this.status, this.values[0], this.values[1] ?? 0]);
    this.values = [];
    return event;
  }
}
