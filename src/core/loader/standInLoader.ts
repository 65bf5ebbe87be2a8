import { CHIP_SIGNATURE, LOADER } from "./serialLoader";

/** Flash of the class, and the page that its loader writes at once, in bytes (from memory). */
export const FLASH_BYTES = 0x8000;
export const PAGE_BYTES = 128;
/** The loader's own place, which it does not overwrite. */
const OWN_PLACE = 0x7000;

export interface LoaderFaults {
  /** The address of a byte whose lowest bit cannot be set to 0 any more. */
  wornAt?: number;
  signature?: number[];
  /** Answers nothing from this byte of the conversation on. */
  silentAfter?: number;
}

const code = (letter: string) => letter.charCodeAt(0);
const text = (letters: string) => [...letters].map(code);
const DONE: number[] = [LOADER.CARRIAGE_RETURN];

/** How many bytes belong to an order beside its letter; of a block to write, the bytes themselves come on top. */
const MORE: Record<string, number> = {
  [LOADER.ADDRESS]: 2,
  [LOADER.WRITE_BLOCK]: 3,
  [LOADER.READ_BLOCK]: 3,
  /** Choosing a chip, lights on and off: old orders that are taken and mean nothing here. */
  T: 1,
  x: 1,
  y: 1,
};

/** Orders that are always answered alike. */
const ANSWERS: Record<string, number[]> = {
  [LOADER.SOFTWARE]: text("STANDIN"),
  [LOADER.PROGRAMMER]: text("S"),
  /** Versions of its software and, which it has none of, its hardware; the chips it knows, a list that ends with 0. */
  V: text("10"),
  v: text(LOADER.UNKNOWN),
  t: [0x44, 0],
  [LOADER.STEP_BY_ITSELF]: text("Y"),
  [LOADER.BLOCKS]: [...text("Y"), PAGE_BYTES >> 8, PAGE_BYTES & 0xff],
  [LOADER.BEGIN]: DONE,
  [LOADER.LEAVE]: DONE,
  T: DONE,
  x: DONE,
  y: DONE,
  /** Fuses and lock bits, as such a loader reads them (from memory). */
  F: [0xff],
  N: [0xff],
  Q: [0xff],
  r: [0xff],
};

/**
 * A loader without a board: takes the bytes that a computer sends and gives those that the class's loader would answer
 * (from memory). What is written stays in its flash.
 */
export class StandInLoader {
  readonly flash = new Uint8Array(FLASH_BYTES).fill(0xff);
  /** Whether it has been left and the device runs. */
  isStarted = false;
  private pending: number[] = [];
  private address = 0;
  private heard = 0;

  constructor(private readonly faults: LoaderFaults = {}) {}

  /** What it answers to some bytes, which may be part of an order or several. */
  hear(bytes: Iterable<number>): Uint8Array {
    const answers: number[] = [];
    for (const byte of bytes) {
      this.heard++;
      this.pending.push(byte);
      if (this.pending.length < this.needed()) continue;
      const order = this.pending;
      this.pending = [];
      if (this.heard > (this.faults.silentAfter ?? Infinity)) continue;
      answers.push(...this.obey(String.fromCharCode(order[0]), order.slice(1)));
    }
    return Uint8Array.from(answers);
  }

  private needed(): number {
    const letter = String.fromCharCode(this.pending[0]);
    const head = 1 + (MORE[letter] ?? 0);
    if (letter !== LOADER.WRITE_BLOCK || this.pending.length < head) return head;
    return head + ((this.pending[1] << 8) | this.pending[2]);
  }

  private obey(letter: string, rest: number[]): number[] {
    if (Object.hasOwn(ANSWERS, letter)) return ANSWERS[letter];
    switch (letter) {
      case LOADER.SIGNATURE:
        return this.faults.signature ?? CHIP_SIGNATURE;
      case LOADER.ADDRESS:
        this.address = ((rest[0] << 8) | rest[1]) * 2;
        return DONE;
      case LOADER.ERASE:
        this.flash.fill(0xff, 0, OWN_PLACE);
        return DONE;
      case LOADER.WRITE_BLOCK:
        return this.write(rest[2], rest.slice(3));
      case LOADER.READ_BLOCK:
        return this.read(rest[2], (rest[0] << 8) | rest[1]);
      case LOADER.START:
        this.isStarted = true;
        return DONE;
      default:
        return text(LOADER.UNKNOWN);
    }
  }

  /** A page is erased before it is written, so that bits can become 1 again. */
  private write(memory: number, bytes: number[]): number[] {
    if (memory !== code(LOADER.FLASH) || this.address + bytes.length > OWN_PLACE) return text(LOADER.UNKNOWN);
    this.flash.set(bytes, this.address);
    const worn = this.faults.wornAt;
    if (worn !== undefined && worn >= this.address && worn < this.address + bytes.length) this.flash[worn] |= 1;
    this.address += bytes.length;
    return DONE;
  }

  private read(memory: number, count: number): number[] {
    if (memory !== code(LOADER.FLASH)) return new Array<number>(count).fill(0xff);
    const bytes = [...this.flash.slice(this.address, this.address + count)];
    this.address += count;
    return bytes;
  }
}
