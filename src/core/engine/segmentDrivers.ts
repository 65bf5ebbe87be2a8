import { SEGMENTS } from "../contract/segments";
import type { SegmentChainScan } from "../firmware/scanTable";

/** Registers of the common drivers with frames of 16 bits (typical of the class, from memory). */
const AWAKE = 0x0c;
const SCANNED = 0x0b;
const TEST = 0x0f;
const ALL_LIT = 0xff;
const REGISTERS = 16;

/** The drivers of a chain of segment displays, as they come out of their power-up: asleep. */
export class SegmentDrivers {
  private readonly registers: Uint8Array[];

  constructor(private readonly chain: SegmentChainScan) {
    this.registers = Array.from({ length: chain.drivers }, () => new Uint8Array(REGISTERS));
  }

  /** A frame: register and value for each driver, the farthest first. */
  take(frame: Uint8Array): void {
    const { drivers } = this.chain;
    for (let nth = 0; nth < drivers; nth++) {
      const at = 2 * (drivers - 1 - nth);
      this.registers[nth][frame[at] % REGISTERS] = frame[at + 1];
    }
  }

  /** What a driver's digit shows, counted from the right. */
  private digit(driver: number, nth: number): number {
    const registers = this.registers[driver];
    if (registers[TEST] & 1) return ALL_LIT;
    if (!(registers[AWAKE] & 1) || nth > (registers[SCANNED] & 7)) return 0;
    return registers[SEGMENTS.FIRST_REGISTER + nth];
  }

  /** What each display shows, from the left, by control id. */
  shown(): [controlId: string, patterns: number[]][] {
    return this.chain.shown.map(({ controlId, driver, digits }) => [
      controlId,
      Array.from({ length: digits }, (_, fromLeft) => {
        const nth = digits - 1 - fromLeft;
        return this.digit(driver + Math.floor(nth / SEGMENTS.DIGITS), nth % SEGMENTS.DIGITS);
      }),
    ]);
  }
}
