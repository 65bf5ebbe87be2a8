import { chipPinOf, pinBytes, portNumber, type ChipPin } from "../chips/usb8";
import type { LineAccess } from "../circuits/lineAccess";
import { LEVEL_AT, START_MODE } from "../contract/board";
import { type Derived, derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Problem } from "../document/problem";
import { type AccessBy, accessSets, bitsOf, chipsOf } from "../firmware/accessSets";
import type { ScanTable } from "../firmware/scanTable";

/** Where a line's level is found: a port or a remote byte, and the bit in it. */
export interface LevelPlace {
  at: number;
  mask: number;
}

export const ALWAYS_HIGH: LevelPlace = { at: LEVEL_AT.ALWAYS_HIGH, mask: 0xff };

/** Lines of one chain or of one set of multiplexers, with the remote bytes that stand for them. */
export interface RemoteSet<By extends LineAccess["by"]> {
  lines: AccessBy<By>[];
  firstByte: number;
  bytes: number;
}

const BITS = 8;
/** Remote bytes of one multiplexer: sixteen channels. */
export const MULTIPLEXER_BYTES = 2;

/** What the lines of a design need of the board block: pins by net, remote bytes, and how each pin starts. */
export class BoardLines {
  readonly problems: Problem[] = [];
  readonly start = new Map<string, { pin: [number, number]; mode: number }>();
  remoteBytes = 0;
  readonly inRegisters: RemoteSet<"in-register">[];
  readonly outRegisters: RemoteSet<"out-register">[];
  readonly multiplexers: RemoteSet<"channel">[];
  private readonly derived: Derived;

  constructor(
    private readonly design: Design,
    private readonly scan: ScanTable,
  ) {
    this.derived = derive(design);
    this.inRegisters = this.setsOf("in-register", ({ clock }) => clock, bitsOf);
    this.outRegisters = this.setsOf("out-register", ({ clock }) => clock, bitsOf);
    this.multiplexers = this.setsOf(
      "channel",
      ({ select }) => select.join(" "),
      (lines) => MULTIPLEXER_BYTES * BITS * chipsOf(lines).length,
    );
  }

  private setsOf<By extends LineAccess["by"]>(
    by: By,
    keyOf: (line: AccessBy<By>) => string,
    countOf: (lines: AccessBy<By>[]) => number,
  ): RemoteSet<By>[] {
    return accessSets(this.scan.access, by, keyOf).map((set) => {
      const lines = set.map(([, line]) => line);
      const bytes = Math.ceil(countOf(lines) / BITS);
      return { lines, bytes, firstByte: this.takeBytes(bytes) };
    });
  }

  /** The first of some more remote bytes. */
  takeBytes(bytes: number): number {
    this.remoteBytes += bytes;
    return this.remoteBytes - bytes;
  }

  private chipPin(netId: string): ChipPin | null {
    const profileId = this.derived.profile?.id ?? "";
    const pad = this.design.pinPlan[netId]?.pin;
    const pin = pad === undefined ? null : chipPinOf(profileId, pad);
    const flag = this.derived.netById.get(netId)?.flag ?? netId;
    const problem = { path: "pinPlan", message: `has no pin of the chip for ${flag}; share out the pins first` };
    if (!pin && !this.problems.some(({ message }) => message === problem.message)) this.problems.push(problem);
    return pin;
  }

  /** A net's pin as two bytes, and how it starts; the first mode that is asked for stands. */
  pin(netId: string, mode: number): [number, number] {
    const pin = this.chipPin(netId);
    if (!pin) return [0, 0];
    const bytes = pinBytes(pin);
    if (!this.start.has(netId)) this.start.set(netId, { pin: bytes, mode });
    return bytes;
  }

  private levelOnPin(netId: string): LevelPlace {
    const isHeld = this.scan.access[netId]?.by === "held-pin";
    const pin = this.chipPin(netId);
    this.pin(netId, isHeld ? START_MODE.FLOAT : START_MODE.PULL_UP);
    if (!pin) return ALWAYS_HIGH;
    return { at: portNumber(pin) | (isHeld ? LEVEL_AT.INVERTED : 0), mask: pinBytes(pin)[1] };
  }

  /** Where a sense line's level is found. */
  level(netId: string): LevelPlace {
    const access = this.scan.access[netId];
    if (!access || access.by === "held-pin") return this.levelOnPin(netId);
    if (access.by === "in-register") {
      const chain = this.inRegisters.find(({ lines }) => lines.includes(access))!;
      return remoteBit(chain.firstByte, access.bit);
    }
    if (access.by === "channel") {
      const set = this.multiplexers.find(({ lines }) => lines.includes(access))!;
      const nth = chipsOf(set.lines).indexOf(access.chip);
      return remoteBit(set.firstByte + MULTIPLEXER_BYTES * nth, access.channel);
    }
    const flag = this.derived.netById.get(netId)?.flag ?? netId;
    this.problems.push({ path: "circuits", message: `reads ${flag} ${NOT_DRIVEN[access.by]}` });
    return ALWAYS_HIGH;
  }
}

/** What the image has no driver for yet, in words. */
const NOT_DRIVEN: Record<string, string> = {
  expander: "through an expander, which the finished image does not drive; the C99 archive leaves that to you",
  rung: "on a resistor ladder, which the finished image does not drive; the C99 archive leaves that to you",
};

const remoteBit = (firstByte: number, bit: number): LevelPlace => ({
  at: LEVEL_AT.REMOTE + firstByte + Math.floor(bit / BITS),
  mask: 1 << (bit % BITS),
});
