import { type Transport, TransportClosed } from "./transport";
import type { HexPart } from "../image/intelHex";

/**
 * The serial protocol of the usual loader of the 8-bit USB classes: single letters, answered by a carriage return or by
 * bytes; blocks of a page are written and read (from memory; Debian's general serial programmer speaks it with our
 * stand-in in tests/firmware/loader.test.ts).
 */
export const LOADER = {
  CARRIAGE_RETURN: 0x0d,
  UNKNOWN: "?",
  SOFTWARE: "S",
  PROGRAMMER: "p",
  SIGNATURE: "s",
  STEP_BY_ITSELF: "a",
  BLOCKS: "b",
  BEGIN: "P",
  ERASE: "e",
  ADDRESS: "A",
  WRITE_BLOCK: "B",
  READ_BLOCK: "g",
  FLASH: "F",
  LEAVE: "L",
  START: "E",
} as const;

/** The chip of the two classes, as its loader tells it: the third byte first (from memory). */
export const CHIP_SIGNATURE = [0x87, 0x95, 0x1e];

const ANSWER_MS = 1500;
/** Erasing all pages takes longest: 4.5 ms each (from memory). */
const ERASE_MS = 10_000;
const TRIES = 3;
const YES = "Y".charCodeAt(0);
const SERIAL = "S".charCodeAt(0);

/** What went wrong, in a sentence that names the cure. */
export class LoadProblem extends Error {}

export interface LoadProgress {
  doing: "asking" | "erasing" | "writing" | "checking" | "starting";
  bytes: number;
  of: number;
}

const letters = (text: string) => [...text].map((letter) => letter.charCodeAt(0));
const word = (value: number) => [value >> 8, value & 0xff];

/** Asks and waits for exactly so many bytes of answer. */
class Talk {
  private pending: number[] = [];

  constructor(private readonly transport: Transport) {}

  async ask(bytes: number[], answerBytes: number, waitMs = ANSWER_MS): Promise<number[]> {
    this.pending = [];
    await this.transport.send(Uint8Array.from(bytes));
    while (this.pending.length < answerBytes) {
      const came = await this.transport.receive(waitMs);
      if (came.length === 0)
        throw new LoadProblem(
          "The board does not answer. Press its reset button twice, and try again within 8 seconds.",
        );
      this.pending.push(...came);
    }
    return this.pending.splice(0, answerBytes);
  }

  async order(what: string, bytes: number[], waitMs?: number): Promise<void> {
    const [answer] = await this.ask(bytes, 1, waitMs);
    if (answer !== LOADER.CARRIAGE_RETURN)
      throw new LoadProblem(`The loader refused to ${what}. Press the board's reset button twice, and try again.`);
  }
}

async function greet(talk: Talk): Promise<void> {
  for (let tries = 1; ; tries++) {
    try {
      await talk.ask(letters(LOADER.SOFTWARE), 7);
      return;
    } catch (problem) {
      if (tries === TRIES || problem instanceof TransportClosed) throw problem;
    }
  }
}

/** Who answers: the loader, the right chip. @returns the bytes of a block */
async function meet(talk: Talk): Promise<number> {
  await greet(talk);
  const [kind] = await talk.ask(letters(LOADER.PROGRAMMER), 1);
  if (kind !== SERIAL) throw new LoadProblem("What answers is no loader of this sort. Choose another port.");
  const signature = await talk.ask(letters(LOADER.SIGNATURE), 3);
  if (signature.some((byte, nth) => byte !== CHIP_SIGNATURE[nth]))
    throw new LoadProblem(
      `Another chip answers (${signature.map((byte) => byte.toString(16).padStart(2, "0")).join(" ")}). This image is for the 8-bit USB classes only; nothing was written.`,
    );
  const [steps] = await talk.ask(letters(LOADER.STEP_BY_ITSELF), 1);
  const [blocks, high, low] = await talk.ask(letters(LOADER.BLOCKS), 3);
  if (steps !== YES || blocks !== YES)
    throw new LoadProblem("The loader takes no blocks. Load the file by other means.");
  return (high << 8) | low;
}

/** Whole blocks of the parts, filled up with FF as erased flash reads. */
function blocksOf(parts: HexPart[], blockBytes: number): HexPart[] {
  return parts.flatMap(({ at, bytes }) => {
    const all = Array.from(bytes);
    return Array.from({ length: Math.ceil(all.length / blockBytes) }, (_, nth) => {
      const block = all.slice(nth * blockBytes, (nth + 1) * blockBytes);
      const filled = [...block, ...new Array<number>(blockBytes - block.length).fill(0xff)];
      return { at: at + nth * blockBytes, bytes: filled };
    });
  });
}

/** The loader counts in words of two bytes. */
const goTo = (talk: Talk, at: number) => talk.order("go to an address", [...letters(LOADER.ADDRESS), ...word(at >> 1)]);

async function writeBlock(talk: Talk, { at, bytes }: HexPart): Promise<void> {
  await goTo(talk, at);
  const head = [...letters(LOADER.WRITE_BLOCK), ...word(bytes.length), ...letters(LOADER.FLASH)];
  await talk.order(`write ${bytes.length} bytes at ${at}`, [...head, ...Array.from(bytes)]);
}

async function checkBlock(talk: Talk, { at, bytes }: HexPart): Promise<void> {
  await goTo(talk, at);
  const read = await talk.ask(
    [...letters(LOADER.READ_BLOCK), ...word(bytes.length), ...letters(LOADER.FLASH)],
    bytes.length,
  );
  const wrong = read.findIndex((byte, nth) => byte !== bytes[nth]);
  if (wrong >= 0)
    throw new LoadProblem(
      `Byte ${at + wrong} was read back as ${read[wrong]} instead of ${bytes[wrong]}. Load it again; if it stays so, the chip's memory is worn.`,
    );
}

/**
 * Writes an image through a board's loader, reads every byte back and starts it.
 * @param tell what it is doing, and how far it is
 * @throws LoadProblem with a sentence for the person, TransportClosed when the board goes away
 */
export async function loadImage(
  transport: Transport,
  parts: HexPart[],
  tell: (progress: LoadProgress) => void,
): Promise<void> {
  const talk = new Talk(transport);
  tell({ doing: "asking", bytes: 0, of: 0 });
  const blockBytes = await meet(talk);
  const blocks = blocksOf(parts, blockBytes);
  const of = blocks.length * blockBytes;
  await talk.order("begin", letters(LOADER.BEGIN));
  tell({ doing: "erasing", bytes: 0, of });
  await talk.order("erase", letters(LOADER.ERASE), ERASE_MS);
  for (const [nth, block] of blocks.entries()) {
    tell({ doing: "writing", bytes: nth * blockBytes, of });
    await writeBlock(talk, block);
  }
  for (const [nth, block] of blocks.entries()) {
    tell({ doing: "checking", bytes: nth * blockBytes, of });
    await checkBlock(talk, block);
  }
  tell({ doing: "starting", bytes: of, of });
  await talk.order("finish", letters(LOADER.LEAVE));
  await talk.order("start the device", letters(LOADER.START));
}
