import { derive } from "../derived/derive";
import { type Network, takeApart } from "../electrics/network";
import { Groups, type Node } from "./assembled";
import type { FaultyWorld } from "./faultyWorld";
import { type MeterDeed, type Reading, MeterWays, conducting, readMeter, readingOfOhm } from "./meterReading";

/** What one more way, or one way less, is in a network of resistors. */
interface Change {
  a: Node;
  b: Node;
  ohm: number;
  isMore: boolean;
}

/** Where an ampere from tip to tip leaves the voltages of a sound device; no resistance where nothing joins the tips. */
interface Flow {
  ohm: number | null;
  /** Volts from one node to another; null where either hangs on nothing that the tips are on. */
  between(a: Node, b: Node): number | null;
}

/** Less than this part of the current changes no reading, whatever else the current finds. */
const NO_CURRENT = 1e-5;

/**
 * What a meter shows on a device with faults: as `readMeter`, but what one way more or less does is told from the sound
 * device where it can be. An added resistor r takes U²/(r + R) off the ohms between the tips, with U the voltage across
 * its ends at one ampere from tip to tip, and R the resistance between them before (superposition).
 */
export function meterShows(world: FaultyWorld, deed: MeterDeed): Reading {
  if (deed.range !== "ohm") return readMeter(world, deed);
  const changes = changesOf(world);
  if (changes === null) return readMeter(world, deed);
  const sound = soundOf(world, deed.held);
  const flow = sound.flow(deed.red, deed.black);
  if (changes.length === 0) return readingOfOhm(flow.ohm);
  const ohm = changes[0].isMore ? withMore(sound, flow, deed, changes[0]) : withLess(flow, changes[0]);
  return ohm === undefined ? readMeter(world, deed) : readingOfOhm(ohm);
}

/** Ways that conduct without a diode and are more or fewer than drawn; null where it is not one change at most. */
function changesOf(world: FaultyWorld): Change[] | null {
  const { more, gone } = new MeterWays(world, []).changes();
  const { bonds } = world.base.assembled;
  const changes: Change[] = more.map((way) => ({ ...way, isMore: true }));
  for (const id of gone) {
    const bond = bonds.get(id);
    if (bond && bond.sort !== "diode" && bond.sort !== "pin") changes.push({ ...bond, isMore: false });
  }
  return changes.length > 1 ? null : changes;
}

function withMore(sound: SoundNetwork, flow: Flow, { red, black }: MeterDeed, { a, b, ohm }: Change): number | null {
  if (flow.ohm === null) return sound.over(red, a, ohm, b, black) ?? sound.over(red, b, ohm, a, black);
  const volt = flow.between(a, b);
  const across = volt === null ? null : sound.flow(a, b).ohm;
  if (volt === null || across === null) return flow.ohm;
  return flow.ohm - volt ** 2 / (ohm + across);
}

/** A way that carries nothing can be missing; undefined where it carries some of the current. */
function withLess(flow: Flow, { a, b, ohm }: Change): number | null | undefined {
  const volt = flow.ohm === null ? null : flow.between(a, b);
  return volt === null || Math.abs(volt) < NO_CURRENT * ohm ? flow.ohm : undefined;
}

/** All that conducts without a diode on a sound device while some contacts are held, each piece taken apart once. */
class SoundNetwork {
  private readonly pieces = new Groups();
  private readonly networks = new Map<string, Network>();
  private readonly flows = new Map<string, Flow>();

  constructor(private readonly branches: { a: Node; b: Node; ohm: number }[]) {
    for (const { a, b } of branches) this.pieces.join(a, b);
  }

  private networkOf(piece: string): Network {
    let network = this.networks.get(piece);
    if (!network) {
      const own = this.branches.filter(({ a }) => this.pieces.find(a) === piece);
      this.networks.set(piece, (network = takeApart(own, [own[0].a])));
    }
    return network;
  }

  flow(red: Node, black: Node): Flow {
    const key = `${red}\n${black}`;
    let flow = this.flows.get(key);
    if (!flow) this.flows.set(key, (flow = this.reckon(red, black)));
    return flow;
  }

  private reckon(red: Node, black: Node): Flow {
    if (red === black) return { ohm: 0, between: () => 0 };
    const piece = this.pieces.find(red);
    if (piece !== this.pieces.find(black)) return { ohm: null, between: () => null };
    const { nodes, index, solve } = this.networkOf(piece);
    const inflowA = new Float64Array(nodes.length);
    inflowA[index.get(red)!] += 1;
    inflowA[index.get(black)!] -= 1;
    const volts = new Float64Array(nodes.length);
    solve([0], inflowA, volts);
    const between = (a: Node, b: Node) => {
      const [from, to] = [index.get(a), index.get(b)];
      return from === undefined || to === undefined ? null : volts[from] - volts[to];
    };
    return { ohm: between(red, black), between };
  }

  /** Ohms from a tip to one end of an added way, over it, and on to the other tip; null where that does not join them. */
  over(red: Node, enter: Node, ohm: number, leave: Node, black: Node): number | null {
    const [before, after] = [this.flow(red, enter).ohm, this.flow(leave, black).ohm];
    return before === null || after === null ? null : before + ohm + after;
  }
}

const soundOf = ({ base }: FaultyWorld, held: readonly string[]): SoundNetwork => {
  const { assembled } = base;
  return derive(assembled.design).once(
    `sound network ${held.join(" ")}`,
    () => new SoundNetwork(conducting(assembled, held)),
  );
};
