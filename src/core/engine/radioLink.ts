import type { Design } from "../document/schema";
import { packetOf } from "../firmware/packetOf";
import type { PacketCheck } from "../hid/packetSettings";
import { type PacketReceiver, type Received, checkValue, receiverOf } from "./packetReceiver";

/** What the air does: one byte in so many comes otherwise than it was sent, one packet in so many not at all; 0: none. */
export interface Air {
  spoiltIn: number;
  lostIn: number;
}
export const clearAir: Air = { spoiltIn: 0, lostIn: 0 };

/** A packet on its way: as it was sent, as it came (null: not at all), and what the receiver made of it. */
export interface SentPacket {
  atMs: number;
  sent: Uint8Array;
  came: Uint8Array | null;
  received: Received[];
  /** Something was taken though it is not what was sent. */
  isWrong: boolean;
}

export interface LinkCounts {
  sent: number;
  lost: number;
  spoilt: number;
  /** What the receiver takes, takes not, and takes though it is wrong. */
  taken: number;
  refused: number;
  wrong: number;
  /** Packets that the receiver misses by their numbers. */
  missed: number;
}
const noCounts: LinkCounts = { sent: 0, lost: 0, spoilt: 0, taken: 0, refused: 0, wrong: 0, missed: 0 };

/** What the receiver has, for a screen. */
export interface RadioHeard {
  counts: LinkCounts;
  packets: SentPacket[];
}
export const deafRadio: RadioHeard = { counts: noCounts, packets: [] };

const KEPT = 40;

/** The air between a design's radio and its receiver, which spoils some of what goes through. */
export class RadioLink {
  private readonly receiver: PacketReceiver;
  /** What would have been made of it in clear air: a receiver of its own keeps the same places in the stream. */
  private readonly honest: PacketReceiver;
  private readonly check: PacketCheck;
  readonly answers: boolean;
  private last: number | null = null;
  heard: RadioHeard = deafRadio;

  private constructor(
    design: Design,
    private readonly random: () => number,
  ) {
    const packet = packetOf(design)!;
    this.receiver = receiverOf(design)!;
    this.honest = receiverOf(design)!;
    this.check = packet.check;
    this.answers = packet.answers;
  }

  /** Null where no radio is wired. */
  static of(design: Design, random: () => number): RadioLink | null {
    return packetOf(design) ? new RadioLink(design, random) : null;
  }

  private happens = (oneIn: number) => oneIn > 0 && this.random() * oneIn < 1;

  private spoil(bytes: Iterable<number>, air: Air): Uint8Array {
    return Uint8Array.from(bytes, (byte) =>
      this.happens(air.spoiltIn) ? byte ^ (1 + Math.floor(this.random() * 255)) : byte,
    );
  }

  /**
   * A packet leaves the device.
   * @param told what goes back on the acknowledgement of one that is taken, without its check value
   * @returns the acknowledgement as it arrives, or null where there is none
   */
  send(atMs: number, sent: Uint8Array, air: Air, told: readonly number[]): Uint8Array | null {
    const meant = this.honest.take(sent);
    const came = this.happens(air.lostIn) ? null : this.spoil(sent, air);
    const received = came ? this.receiver.take(came) : [];
    const isSpoilt = came !== null && came.some((byte, nth) => byte !== sent[nth]);
    const taken = received.filter((one) => one.ok);
    const isWrong = taken.some((one) => !meant.some((other) => JSON.stringify(other) === JSON.stringify(one)));
    this.count(received, came === null, isSpoilt, isWrong);
    this.heard = {
      counts: this.heard.counts,
      packets: [...this.heard.packets, { atMs, sent, came, received, isWrong }].slice(-KEPT),
    };
    return taken.length > 0 && this.answers ? this.spoil([...told, ...checkValue(this.check, told)], air) : null;
  }

  private count(received: Received[], isLost: boolean, isSpoilt: boolean, isWrong: boolean) {
    const before = this.heard.counts;
    const taken = received.filter((one) => one.ok);
    this.heard = {
      ...this.heard,
      counts: {
        sent: before.sent + 1,
        lost: before.lost + (isLost ? 1 : 0),
        spoilt: before.spoilt + (isSpoilt ? 1 : 0),
        taken: before.taken + taken.length,
        refused: before.refused + received.length - taken.length,
        wrong: before.wrong + (isWrong ? 1 : 0),
        missed: before.missed + taken.reduce((sum, { number }) => sum + this.missedBefore(number), 0),
      },
    };
  }

  /** The numbers between the last one that came and this one; a packet that comes again is none. */
  private missedBefore(number: number | null): number {
    if (number === null) return 0;
    const gap = this.last === null ? 1 : (number - this.last) & 0xff;
    this.last = number;
    return Math.max(0, gap - 1);
  }
}
