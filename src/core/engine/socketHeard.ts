import { heardWith } from "./hostMusic";
import { type MusicHeard, silence } from "./musicHeard";
import { SocketReceiver } from "./socketReceiver";

/** What hangs on a socket: what it hears, and the bytes that came last with their milliseconds. */
export interface SocketHeard {
  heard: MusicHeard;
  bytes: { atMs: number; bytes: number[] }[];
  lost: number;
}

const KEPT = 12;

/** Follows the bytes of one run. */
export class SocketEar {
  private readonly receiver = new SocketReceiver();
  now: SocketHeard = { heard: silence, bytes: [], lost: 0 };

  take(atMs: number, bytes: Uint8Array): void {
    const events = this.receiver.take(bytes);
    this.now = {
      heard: events.length > 0 ? heardWith(this.now.heard, atMs, events) : this.now.heard,
      bytes: [...this.now.bytes, { atMs, bytes: [...bytes] }].slice(-KEPT),
      lost: this.receiver.lost,
    };
  }
}
