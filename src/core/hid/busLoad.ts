import { type InterfaceKind, isHid } from "./interfaceKinds";
import type { EndpointPlan } from "./endpointPlan";
import type { ReportShape } from "./reportShape";
import { packetBytes } from "./packetBytes";
import { SERIAL_PACKETS } from "./serialInterfaces";

/** What one interface asks of the bus. */
export interface BusShare {
  kinds: InterfaceKind[];
  endpoint: number;
  packetBytes: number;
  /** Music is asked when there is room; all others have their time kept for them. */
  isKept: boolean;
  /** At most: whole packets, as often as the host asks. */
  bytesASecond: number;
  /** Of each millisecond on a full-speed bus, in ns. */
  ns: number;
}

const FRAMES_A_SECOND = 1000;
export const FRAME_NS = 1_000_000;

/** A host keeps at most so much of a frame for what is asked in turn (USB 2.0, section 5.7.4). */
export const KEPT_MOST = 0.9;

/** Where bits are stuffed as often as can be, a byte takes so many bit times (USB 2.0, section 5.11.3). */
const BITS_A_BYTE = 8 * 1.1667;
const TRANSACTION_NS = 9107;
const BIT_NS = 83.54;
const BITS_MORE = 3.167;

/**
 * The time of one interrupt transaction at full speed, without what a host takes beside it.
 * @param bytes of data, 0 to 64
 * @returns ns (USB 2.0, section 5.11.3)
 */
export const transactionNs = (bytes: number): number =>
  TRANSACTION_NS + BIT_NS * Math.floor(BITS_MORE + BITS_A_BYTE * bytes);

/** What each interface asks of the bus, in the order of their endpoints; each is asked once a millisecond. */
export const busShares = (plan: EndpointPlan, shape: ReportShape): BusShare[] =>
  plan.map((kinds, nth) => {
    const bytes = packetBytes(kinds, shape);
    return {
      kinds,
      endpoint: nth + 1,
      packetBytes: bytes,
      isKept: kinds.every(isHid),
      bytesASecond: bytes * FRAMES_A_SECOND,
      ns: transactionNs(bytes),
    };
  });

/** What of each millisecond is kept for a serial port, in ns: the question whether it has something to tell of its line. */
export const serialNs = (): number => transactionNs(SERIAL_PACKETS.told);

/** Of each frame what is kept for the device, 0 to 1. @param hasSerial whether it has a serial port too */
export const keptShare = (shares: readonly BusShare[], hasSerial = false): number =>
  shares.reduce((sum, { isKept, ns }) => sum + (isKept ? ns : 0), hasSerial ? serialNs() : 0) / FRAME_NS;
