import type { LadderBank } from "../circuits/circuitKind";
import { floatingLoadOhm, ladderLevel, rungTold } from "../circuits/ladderVoltage";
import { GROUND, plainNet } from "../circuits/net";
import { BANK_LINES } from "../contract/contract";
import type { ScanTable } from "../firmware/scanTable";

/** Electrical limits of the controller's inputs. */
export interface InputLevels {
  /** From this voltage on an input surely reads high, in V. */
  inputHighMinV: number;
}

/** Forward drop of a 1N4148 at the 0.04 to 0.13 mA that an internal pull-up gives (0.45 to 0.49 V in ngspice). */
export const DIODE_DROP_V = 0.48;

interface Path {
  neighbour: number;
  diode: boolean;
}

/** A conductor with its nets by number. */
interface Conductor {
  from: number;
  to: number;
  diode: boolean;
}

/** A ladder's bank with its lines by number, and which rungs are pressed, counted from 1. */
interface Ladder {
  bank: LadderBank;
  lines: number[];
  pressed: Set<number>;
}

const UNREACHED = 255;

/**
 * The circuits as the input pins see them. A sense line is pulled up; it reads low when closed contacts and diodes
 * let its current flow to the driven line or to ground. Each diode on the way adds its drop, and what lies between
 * the surely-low and the surely-high voltage is counted as low: so a doubtful ghost is shown, not hidden.
 */
export class ElectricalWorld {
  private readonly closed = new Map<string, Conductor>();
  private readonly rungs = new Map<string, { ladder: Ladder; rung: number }>();
  private readonly ladders: Ladder[];
  private readonly conductors: Map<string, Conductor>;
  private readonly mostDrops: number;
  /** Each part of a device has its own; a cable joins them. */
  private readonly grounds: number[];
  private readonly strobes: number[];
  /** Sense line of each net, or -1. */
  private readonly senseOf: Int16Array;
  private readonly banks: number;
  /** Fewest diodes from each net to a driven-low one; only the reached nets are ever set. */
  private readonly drops: Uint8Array;

  constructor(scan: ScanTable, levels: InputLevels) {
    const names = new Set([GROUND, ...scan.strobeLines, ...scan.senseLines]);
    for (const { from, to } of scan.conductors) names.add(from).add(to);
    const nets = new Map([...names].map((name, number) => [name, number]));
    const net = (name: string) => nets.get(name)!;
    this.conductors = new Map(
      scan.conductors.map((c) => [c.contact, { from: net(c.from), to: net(c.to), diode: c.diode }]),
    );
    this.mostDrops = Math.ceil(levels.inputHighMinV / DIODE_DROP_V) - 1;
    this.grounds = [...names].filter((name) => plainNet(name) === GROUND).map(net);
    this.strobes = scan.strobeLines.map(net);
    this.senseOf = new Int16Array(names.size).fill(-1);
    scan.senseLines.forEach((name, line) => (this.senseOf[net(name)] = line));
    this.banks = Math.ceil(scan.senseLines.length / BANK_LINES);
    this.drops = new Uint8Array(names.size).fill(UNREACHED);
    this.ladders = scan.ladders.map((bank) => ({
      bank,
      lines: bank.rungs.map((id) => scan.senseLines.indexOf(id)),
      pressed: new Set(),
    }));
    for (const ladder of this.ladders)
      ladder.bank.rungs.forEach((id, nth) => this.rungs.set(id, { ladder, rung: nth + 1 }));
  }

  /** Closes or opens a contact: an element's id, with /A or /B for an encoder's. @returns whether that is a change */
  set(contact: string, closed: boolean): boolean {
    const onLadder = this.rungs.get(contact);
    if (onLadder) return press(onLadder.ladder.pressed, onLadder.rung, closed);
    const conductor = this.conductors.get(contact);
    if (!conductor || this.closed.has(contact) === closed) return false;
    if (closed) this.closed.set(contact, conductor);
    else this.closed.delete(contact);
    return true;
  }

  isClosed(contact: string): boolean {
    const onLadder = this.rungs.get(contact);
    return onLadder ? onLadder.ladder.pressed.has(onLadder.rung) : this.closed.has(contact);
  }

  /** Writes what every bank reads under every strobe; `stride` words a row, row 0 with nothing strobed. */
  answer(words: Uint16Array, stride: number): void {
    const paths = this.pathsToLow();
    for (let row = 0; row <= this.strobes.length; row++) {
      const first = row * stride;
      words.fill(0xffff, first, first + this.banks);
      const sources = row === 0 ? this.grounds : [...this.grounds, this.strobes[row - 1]];
      for (const net of this.reach(paths, sources)) {
        const line = this.senseOf[net];
        if (line >= 0 && this.drops[net] <= this.mostDrops) words[first + (line >> 4)] &= ~(1 << (line & 15));
        this.drops[net] = UNREACHED;
      }
    }
    for (const ladder of this.ladders) {
      const told = this.toldBy(ladder);
      if (told !== null) words[ladder.lines[told] >> 4] &= ~(1 << (ladder.lines[told] & 15));
    }
  }

  /** Which rung of a bank is told while it alone is powered; the pressed rungs of its neighbours load the line. */
  private toldBy(ladder: Ladder): number | null {
    const { bank, pressed } = ladder;
    if (pressed.size === 0) return null;
    const loads = this.ladders.flatMap((other) =>
      other === ladder || other.bank.line !== bank.line ? [] : (floatingLoadOhm(other.bank, [...other.pressed]) ?? []),
    );
    return rungTold(bank, ladderLevel(bank, [...pressed], loads));
  }

  /** For each net, the nets that it can pull low: against the current's direction, both conductors without a diode. */
  private pathsToLow(): Map<number, Path[]> {
    const paths = new Map<number, Path[]>();
    const add = (low: number, neighbour: number, diode: boolean) => {
      const list = paths.get(low);
      if (list) list.push({ neighbour, diode });
      else paths.set(low, [{ neighbour, diode }]);
    };
    for (const { from, to, diode } of this.closed.values()) {
      add(to, from, diode);
      if (!diode) add(from, to, false);
    }
    return paths;
  }

  /** Sets `drops` of every net that the sources pull low and lists those nets: conductors without a diode come first. */
  private reach(paths: Map<number, Path[]>, sources: number[]): number[] {
    const reached = [...sources];
    for (const net of sources) this.drops[net] = 0;
    let layer = sources.filter((net) => paths.has(net));
    while (layer.length > 0) {
      const next: number[] = [];
      for (let net = layer.pop(); net !== undefined; net = layer.pop()) {
        for (const { neighbour, diode } of paths.get(net) ?? []) {
          const there = this.drops[net] + (diode ? 1 : 0);
          if (there >= this.drops[neighbour]) continue;
          if (this.drops[neighbour] === UNREACHED) reached.push(neighbour);
          this.drops[neighbour] = there;
          (diode ? next : layer).push(neighbour);
        }
      }
      layer = next;
    }
    return reached;
  }
}

function press(pressed: Set<number>, rung: number, closed: boolean): boolean {
  if (pressed.has(rung) === closed) return false;
  if (closed) pressed.add(rung);
  else pressed.delete(rung);
  return true;
}
