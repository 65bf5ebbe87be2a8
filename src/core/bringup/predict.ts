import { derive } from "../derived/derive";
import { QUADRATURE } from "../engine/quadrature";
import { ohmWords } from "../electrics/ohmWords";
import { spoiltNets } from "./deadChips";
import type { Fault } from "./fault";
import { FaultyWorld, type WorldBase } from "./faultyWorld";
import { meterShows } from "./meterChange";
import { JOINED_OHM, type Reading } from "./meterReading";
import type { TrialDeed } from "./trial";

/** What came of a test, in a form that compares: element ids for what was told, or what a meter shows. */
export type Outcome = string;

const TURNED_STEPS = 4;

/** What a device with these faults answers to a test. */
export function outcomeOf(base: WorldBase, faults: readonly Fault[], deed: TrialDeed): Outcome {
  return outcomeIn(new FaultyWorld(base, faults), deed);
}

export function outcomeIn(world: FaultyWorld, deed: TrialDeed): Outcome {
  switch (deed.does) {
    case "check":
      return (deed.what === "short" ? world.isShorted : world.isOff) ? "no" : "";
    case "idle":
      return toldIdle(world);
    case "hold":
      return toldBy(world, deed.held);
    case "sweep":
      return sweepOutcome(deed.each.map((id) => [id, toldBy(world, [id])]));
    case "bend":
      return droppingOut(world, new FaultyWorld(world.base, world.faults, deed.bend), deed.held);
    case "turn":
      return stepsTold(world, deed.elementId);
    case "show":
      return darkOnes(world, deed.elementIds);
    case "axis":
      return axisTold(world, deed.elementId);
    case "meter":
      return readingWords(meterShows(world, deed));
  }
}

const joined = (ids: Iterable<string>): Outcome => [...ids].sort().join("+");

/** Lines that nothing holds tell this and that. */
const WANDERS = "~";
const TWICE = "*2";

function toldIdle(world: FaultyWorld): Outcome {
  if (world.isOff) return "off";
  const { elements } = derive(world.base.assembled.design);
  // A lever tells its changes: where it stands at the start is no change.
  const told = [...world.seenAtRest()].filter((id) => !elements.get(id)?.stays);
  return joined([...told, ...[...unheld(world)].map((id) => `${id}${WANDERS}`)]);
}

/** What is told newly while these are held; what was told before does not count. */
export function toldBy(world: FaultyWorld, held: string[]): Outcome {
  const before = world.seenAtRest();
  const loose = unheld(world);
  const fresh = [...world.seen(held)].filter((id) => !before.has(id) && !loose.has(id));
  const bounces = (id: string) => world.faults.some((fault) => fault.kind === "bounce" && fault.elementId === id);
  return joined(fresh.map((id) => (bounces(id) ? `${id}${TWICE}` : id)));
}

/** Only what differs from each key telling itself. */
export const sweepOutcome = (each: [id: string, told: Outcome][]): Outcome =>
  each.flatMap(([id, told]) => (told === id ? [] : `${id}>${told}`)).join(",");

/** Switches whose line an added resistor should hold, and does not. */
function unheld(world: FaultyWorld): Set<string> {
  const loose = new Set<string>();
  if (world.broken.size === 0) return loose;
  for (const { rungs, line } of world.scan.ladders) if (!isPulledDown(world, line)) loose.add(rungs[0]);
  const { nets, design } = world.base.assembled;
  const { shunts } = derive(design);
  for (const { netId, elementId } of heldByResistor(world.base)) {
    const held = shunts.some(({ id, from, to }) => {
      const ends = [
        { netId: from, contactId: `${id}.1` },
        { netId: to, contactId: `${id}.2` },
      ];
      return (from === netId || to === netId) && ends.every((end) => nets.has(end.netId) && world.reaches(end));
    });
    if (!held) loose.add(elementId);
  }
  return loose;
}

/** The common line of ladders is held by one resistor while no pad is touched. */
function isPulledDown(world: FaultyWorld, line: string): boolean {
  const { nets, design } = world.base.assembled;
  const pull = derive(design).shunts.find(({ id }) => id === `${line.slice(0, line.lastIndexOf("."))}.pull-down`);
  if (!pull) return true;
  const ends = [
    { netId: pull.from, contactId: `${pull.id}.1` },
    { netId: pull.to, contactId: `${pull.id}.2` },
  ];
  return ends.every((end) => nets.has(end.netId) && world.reaches(end));
}

const heldByResistor = ({ assembled, scan }: WorldBase): { netId: string; elementId: string }[] =>
  derive(assembled.design).once("lines held by a resistor", () =>
    scan.groups.flatMap(({ cells, bank }) =>
      cells.flatMap((cell, line) => {
        const netId = scan.senseLines[bank * cells.length + line];
        const net = cell === null ? undefined : assembled.nets.get(netId);
        return net?.net.heldBy === "resistor" && cell !== null ? [{ netId, elementId: scan.switches[cell] }] : [];
      }),
    ),
  );

/** Which of what is held, moved or watched fails while the board is bent there. */
export function droppingOut(calm: FaultyWorld, bent: FaultyWorld, all: readonly string[]): Outcome {
  const { elements } = derive(calm.base.assembled.design);
  const moved = all.filter((id) => elements.get(id)!.kind !== "switch");
  const differs = moved.filter((id) => aloneTold(calm, id) !== aloneTold(bent, id));
  const held = all.filter((id) => elements.get(id)!.kind === "switch");
  const before = calm.seen(held);
  const then = bent.seen(held);
  const wandered = unheld(calm);
  const loose = [...unheld(bent)].filter((id) => !wandered.has(id)).map((id) => `${id}${WANDERS}`);
  return joined([...differs, ...loose, ...held.filter((id) => before.has(id) && !then.has(id))]);
}

function aloneTold(world: FaultyWorld, elementId: string): Outcome {
  const { kind } = derive(world.base.assembled.design).elements.get(elementId)!;
  if (kind === "quadrature") return stepsTold(world, elementId);
  return kind === "analog" ? axisTold(world, elementId) : darkOnes(world, [elementId]);
}

/** Felt steps that the firmware counts for four clockwise: a change of both contacts at once counts nothing. */
function stepsTold(world: FaultyWorld, elementId: string): Outcome {
  const encoder = world.scan.encoders.find((one) => one.elementId === elementId);
  if (!encoder) return "0";
  const wrong = world.faults.some((fault) => fault.kind === "other-part" && fault.elementId === elementId);
  const states = TURNED_STEPS * encoder.statesPerStep * (wrong ? 2 : 1);
  let place = phaseOf(world.linesLow([], encoder));
  let counted = 0;
  const beside = new Set<string>();
  for (let nth = 0; nth < states; nth++) {
    const { A, B } = QUADRATURE[nth % QUADRATURE.length];
    const held = [...(A ? [`${elementId}/A`] : []), ...(B ? [`${elementId}/B`] : [])];
    const next = phaseOf(world.linesLow(held, encoder));
    for (const id of world.seen(held)) if (!world.seenAtRest().has(id)) beside.add(id);
    const change = (next - place + 4) % 4;
    if (change === 1) counted += 1;
    if (change === 3) counted -= 1;
    place = next;
  }
  return joined([String(Math.trunc(counted / encoder.statesPerStep)), ...beside]);
}

const phaseOf = ({ A, B }: { A: boolean; B: boolean }): number =>
  QUADRATURE.findIndex((state) => state.A === A && state.B === B);

/** What shows nothing; of a chain everything behind the first that hands no data on. */
function darkOnes(world: FaultyWorld, ids: string[]): Outcome {
  const { elements, builtCircuits } = derive(world.base.assembled.design);
  const chain = new Set(builtCircuits.flatMap(({ chains }) => chains.flatMap(({ lights }) => lights)));
  if (ids.some((id) => chain.has(id)) && world.faults.some(({ kind }) => kind === "dip")) return "restarts";
  if (world.isOff) return "off";
  const lights = ids.filter((id) => elements.get(id)?.kind === "light");
  const others = ids.filter((id) => elements.get(id)?.kind !== "light" && !isWorking(world, id));
  return joined([...others, ...darkLights(world, lights), ...litTogether(world, ids)]);
}

/** Of a chain, those that do not shine; what lies behind one that hands nothing on does not either. */
function darkLights(world: FaultyWorld, ids: string[]): string[] {
  let isReached = true;
  return ids.filter((id) => {
    // In, out, supply, ground: a light whose data out has gone still shines itself.
    const [into, out, ...power] = world.base.assembled.contactsOf.get(id) ?? [];
    const isDead = world.faults.some((fault) => fault.kind === "dark" && fault.elementId === id);
    const isPowered = power.every((end) => world.reaches(end));
    const isLit = isReached && !isDead && isPowered && reachesAlong(world, into);
    isReached = isLit && reachesAlong(world, out);
    return !isLit;
  });
}

/** One by one: lamps that light, or go out, with another one. */
function litTogether({ faults, base }: FaultyWorld, ids: string[]): Outcome[] {
  const on = (netId: string) =>
    ids.filter((id) => base.assembled.contactsOf.get(id)?.some((end) => end.netId === netId));
  return faults.flatMap((fault) => {
    if (fault.kind !== "short" && fault.kind !== "swapped") return [];
    const [one, other] = [on(fault.netA), on(fault.netB)];
    const isRail = [fault.netA, fault.netB].some((id) =>
      ["ground", "supply"].includes(base.assembled.nets.get(id)!.net.role),
    );
    if (isRail) return one.length + other.length > 0 ? [`${joined([...one, ...other].slice(0, 1))}=always`] : [];
    if (one.length === 0 || other.length === 0) return [];
    return [`${joined(one)}${fault.kind === "short" ? "&" : "/"}${joined(other)}`];
  });
}

/** Of a chain's data: its own joint and what joins it to its neighbour. */
const reachesAlong = (world: FaultyWorld, end: { netId: string; contactId: string } | undefined): boolean =>
  end === undefined || world.reaches(end);

/** Joined at all of its contacts, and neither dead nor the wrong way round. */
function isWorking(world: FaultyWorld, id: string): boolean {
  const isBad = world.faults.some(
    (fault) => (fault.kind === "dark" || fault.kind === "turned") && fault.elementId === id,
  );
  const spoilt = spoiltNets(world);
  const own = world.base.assembled.contactsOf.get(id) ?? [];
  if (own.some(({ netId }) => spoilt.has(netId))) return false;
  return (
    !isBad &&
    (world.base.assembled.contactsOf.get(id) ?? []).every((end) => world.reaches(end) && !world.isElsewhere(end.netId))
  );
}

/** What an axis tells: right, still, at one end only, or this and that. */
function axisTold(world: FaultyWorld, elementId: string): Outcome {
  const [top, wiper, bottom] = world.base.assembled.contactsOf.get(elementId) ?? [];
  if (!top || !wiper || !bottom) return "";
  const touches = world.faults.some(
    (fault) => fault.kind === "short" && (fault.netA === wiper.netId || fault.netB === wiper.netId),
  );
  if (touches || world.isElsewhere(wiper.netId)) return "still";
  if (!world.reaches(wiper)) return "wanders";
  const [high, low] = [world.reaches(top), world.reaches(bottom)];
  if (high && low) return "";
  if (!high && !low) return "wanders";
  return high ? "always high" : "always low";
}

/** Ohms in two digits: what a hand would read off; joined and open by the words of the trade. */
export function readingWords(reading: Reading): Outcome {
  if (reading.shows === "open") return "open";
  if (reading.shows === "volt") return reading.volt < 0.1 ? "joined" : `${reading.volt.toFixed(1)} V`;
  if (reading.ohm < JOINED_OHM) return "joined";
  return ohmWords(Number(reading.ohm.toPrecision(2)));
}
