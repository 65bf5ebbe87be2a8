import type { LineAccess } from "../circuits/lineAccess";
import { LEVEL_AT, START_MODE } from "../contract/board";
import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { derive } from "../derived/derive";
import type { Net } from "../circuits/net";
import type { Design } from "../document/schema";
import type { Problem } from "../document/problem";
import { type AccessBy, accessSets, addressesOf, bitsOf, chipsOf } from "../firmware/accessSets";
import { ownLines } from "../firmware/ownLines";
import type { ScanTable } from "../firmware/scanTable";

/** How a controller's pins are named in the board block. */
export interface BlockPins {
  /** Two bytes for a pad, or null where the controller has no such pin. */
  pin(pad: string): [number, number] | null;
  /** Where the level of a pin is found. */
  level(pin: [number, number]): LevelPlace;
  /** The converter's channel behind a pad. */
  channel(pad: string): number;
}

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
/** Remote bytes of one expander: sixteen lines. */
const EXPANDER_BYTES = 2;

/** No pin: what hangs on another part of the device. */
const NOWHERE: [number, number] = [0, 0];

/**
 * What the lines of a design need of the board block of one of its parts: pins by net, remote bytes, and how each pin starts. Lines keep the
 * numbers that they have in the whole device; those of another part are nowhere.
 */
export class BoardLines {
  readonly problems: Problem[] = [];
  readonly start = new Map<string, { pin: [number, number]; mode: number }>();
  remoteBytes = 0;
  readonly inRegisters: RemoteSet<"in-register">[];
  readonly outRegisters: RemoteSet<"out-register">[];
  readonly multiplexers: RemoteSet<"channel">[];
  readonly expanders: RemoteSet<"expander">[];
  /** Of each ladder's bank, the first of its remote bytes. */
  readonly ladderBytes: number[];
  /** Whether a line, a lamp or a voltage is this part's. */
  readonly isOwn: (id: string) => boolean;
  private readonly netById: Map<string, Net>;
  private readonly profile: ControllerProfile | null;

  /** @param part which of the design's controllers, from 0 */
  constructor(
    private readonly design: Design,
    private readonly scan: ScanTable,
    private readonly pins: BlockPins,
    part: number,
  ) {
    const derived = derive(design);
    this.isOwn = ownLines(design, scan, part);
    this.netById = derived.netById;
    this.profile = derived.controllers[part]?.profile ?? null;
    this.inRegisters = this.setsOf("in-register", ({ clock }) => clock, bitsOf);
    this.outRegisters = this.setsOf("out-register", ({ clock }) => clock, bitsOf);
    this.multiplexers = this.setsOf(
      "channel",
      ({ select }) => select.join(" "),
      (lines) => MULTIPLEXER_BYTES * BITS * chipsOf(lines).length,
    );
    this.expanders = this.setsOf(
      "expander",
      ({ scl, sda }) => `${scl} ${sda}`,
      (lines) => EXPANDER_BYTES * BITS * addressesOf(lines).length,
    );
    this.ladderBytes = scan.ladders.map(({ line, rungs }) =>
      this.isOwn(line) ? this.takeBytes(Math.ceil(rungs.length / BITS)) : 0,
    );
  }

  private setsOf<By extends LineAccess["by"]>(
    by: By,
    keyOf: (line: AccessBy<By>) => string,
    countOf: (lines: AccessBy<By>[]) => number,
  ): RemoteSet<By>[] {
    const own = Object.fromEntries(Object.entries(this.scan.access).filter(([netId]) => this.isOwn(netId)));
    return accessSets(own, by, keyOf).map((set) => {
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

  private pinOf(netId: string): [number, number] | null {
    const pad = this.design.pinPlan[netId]?.pin;
    const pin = pad === undefined ? null : this.pins.pin(pad);
    const flag = this.netById.get(netId)?.flag ?? netId;
    const problem = { path: "pinPlan", message: `has no pin of the chip for ${flag}; share out the pins first` };
    if (!pin && !this.problems.some(({ message }) => message === problem.message)) this.problems.push(problem);
    return pin;
  }

  /** A serial transmitter's pin, high while its line rests; the chip has it at one pin only, so none is named. */
  transmitter(netId: string): void {
    this.serial(netId, "TX", START_MODE.HIGH);
  }

  /** The same of a receiver's, held high where nobody is at the line's other end. */
  receiver(netId: string): void {
    this.serial(netId, "RX", START_MODE.PULL_UP);
  }

  private serial(netId: string, line: "TX" | "RX", mode: number): void {
    if (!this.isOwn(netId)) return;
    this.pin(netId, mode);
    const pad = this.design.pinPlan[netId]?.pin;
    const can = ({ buses }: { buses: { bus: string; line: string }[] }) =>
      buses.some((one) => one.bus === "uart" && one.line === line);
    const own = this.profile?.pins.find(({ name }) => name === pad);
    if (!own || can(own)) return;
    const right = this.profile!.pins.filter(can).map(({ name }) => name);
    const what = line === "TX" ? "transmitter" : "receiver";
    const message = `has ${this.netById.get(netId)?.flag ?? netId} on ${pad}, which is no serial ${what}; put it on ${right.join(" or ") || "another controller"}`;
    this.problems.push({ path: "pinPlan", message });
  }

  /** The converter's channel on a net's pin. */
  channel(netId: string): number {
    const pin = this.pin(netId, START_MODE.FLOAT);
    return pin[0] === 0 ? 0 : this.pins.channel(this.design.pinPlan[netId].pin);
  }

  /** A net's pin as two bytes, and how it starts; the first mode that is asked for stands. */
  pin(netId: string, mode: number): [number, number] {
    if (!this.isOwn(netId)) return NOWHERE;
    const pin = this.pinOf(netId);
    if (!pin) return NOWHERE;
    if (!this.start.has(netId)) this.start.set(netId, { pin, mode });
    return pin;
  }

  private levelOnPin(netId: string): LevelPlace {
    const isHeld = this.scan.access[netId]?.by === "held-pin";
    const pin = this.pin(netId, isHeld ? START_MODE.FLOAT : START_MODE.PULL_UP);
    if (pin[0] === 0) return ALWAYS_HIGH;
    const { at, mask } = this.pins.level(pin);
    return { at: at | (isHeld ? LEVEL_AT.INVERTED : 0), mask };
  }

  private levelOnRung(netId: string): LevelPlace {
    const bank = this.scan.ladders.findIndex(({ rungs }) => rungs.includes(netId));
    return remoteBit(this.ladderBytes[bank], this.scan.ladders[bank].rungs.indexOf(netId));
  }

  /** Where a sense line's level is found. */
  level(netId: string): LevelPlace {
    if (!this.isOwn(netId)) return ALWAYS_HIGH;
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
    if (access.by === "expander") {
      const set = this.expanders.find(({ lines }) => lines.includes(access))!;
      const nth = addressesOf(set.lines).indexOf(access.address);
      return remoteBit(set.firstByte + EXPANDER_BYTES * nth, access.bit);
    }
    return access.by === "rung" ? this.levelOnRung(netId) : ALWAYS_HIGH;
  }
}

const remoteBit = (firstByte: number, bit: number): LevelPlace => ({
  at: LEVEL_AT.REMOTE + firstByte + Math.floor(bit / BITS),
  mask: 1 << (bit % BITS),
});
