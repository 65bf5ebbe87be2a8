import type { Circuit } from "../circuits";
import type { BuiltCircuit } from "../circuits/circuitKind";
import type { Chip } from "../circuits/chip";
import type { LightChain } from "../circuits/lightChain";
import { GROUND, type PlacedElement, SUPPLY } from "../circuits/net";
import { type Derived, derive } from "../derived/derive";
import { halfName } from "../derived/halfName";
import { halfOf } from "../derived/halves";
import { linkEndId } from "../derived/linkEnds";
import type { Design } from "../document/schema";
import type { Supply } from "../document/supplySettings";
import { REGISTER_BITS } from "../circuits/lineAccess";
import { loopMa } from "../electrics/musicLoop";
import { lampBranches } from "./lampBranches";
import { powerOf } from "./profilePower";
import { type Glow, DARK_LIGHT_MA, lightMa } from "./lightCurrent";

/** Moments at which currents are told apart: nothing lit, as usual, everything at its most, and the computer asleep. */
export const states = ["idle", "typical", "worst", "asleep"] as const;
export type State = (typeof states)[number];

/** Something for every moment. */
export const byState = <T>(value: (state: State) => T): Record<State, T> => ({
  idle: value("idle"),
  typical: value("typical"),
  worst: value("worst"),
  asleep: value("asleep"),
});

export type ConsumerSort =
  | "controller"
  | "lamp"
  | "light"
  | "display"
  | "segments"
  | "radio"
  | "socket"
  | "output"
  | "track"
  | "ladder"
  | "added part"
  | "other part";

/** Something that takes current between two places of the wiring. */
export interface Consumer {
  id: string;
  label: string;
  sort: ConsumerSort;
  /** The control it belongs to; null for the controller and added parts. */
  controlId: string | null;
  /** Wire end from which it takes its current; null for what a pin of the module feeds. */
  plus: string | null;
  /** Wire end to which its current goes; null where that is the module itself. */
  minus: string | null;
  /** The rail that feeds it: a net's id. */
  railId: string;
  /** In mA, at the voltage that it has there. */
  ma(state: State, volts: number): number;
  /** Of an addressable light: how much of it is lit at a moment, and how. */
  glow?(state: State): LitLight;
}

/** What the current of one light follows from. */
export interface LitLight extends Glow {
  whiteMa: number;
  /** Of the light, 0 to 1: a usual moment may light the last one only partly. */
  share: number;
}

type Fixed = Record<State, number>;
const fixed = (values: Fixed) => (state: State) => values[state];
const always = (ma: number) => fixed({ idle: ma, typical: ma, worst: ma, asleep: ma });

/** Current of a part that is driven: nothing at rest, its usual share, all, nothing. */
const driven = (ma: number, usualPercent: number): Fixed => ({
  idle: 0,
  typical: (ma * usualPercent) / 100,
  worst: ma,
  asleep: 0,
});

/** What a switched-off display or driver still takes (typical; from memory). */
const OFF_MA = 0.02;
/** A logic part at rest, and an expander on its bus (typical; from memory). */
const PART_MA: Partial<Record<Chip["part"], number>> = { expander: 1, "bus-multiplexer": 0.1 };
const LOGIC_MA = 0.05;

/** How a chain glows at a moment, and how many of its lights. */
function glowOf(chain: LightChain, lights: number, usual: Supply["usual"], state: State): Glow & { lit: number } {
  const most = Math.min(lights, chain.mostLit ?? lights);
  const level = chain.brightnessPercent / 100;
  const lit = { idle: 0, typical: (most * usual.lights) / 100, worst: most, asleep: 0 }[state];
  return { level, colours: chain.colours, lit };
}

interface Sight {
  design: Design;
  derived: Derived;
  circuit: Circuit;
  built: BuiltCircuit;
}

const contact = (element: PlacedElement, name: string) =>
  element.contacts.find((each) => each.name === name)?.id ?? null;

const base = (element: PlacedElement, sort: ConsumerSort, railId: string) => ({
  id: element.id,
  label: element.label,
  sort,
  controlId: element.controlId,
  railId,
});

function lights({ design, derived, circuit }: Sight): Consumer[] {
  if (circuit.kind !== "light-chain") return [];
  const here = circuit.members.flatMap((id) => derived.elements.get(id) ?? []).filter(({ kind }) => kind === "light");
  const glows = byState((state) => glowOf(circuit, here.length, design.supply.usual, state));
  const ends = here.map((element) => ({ plus: contact(element, "plus"), minus: contact(element, "minus") }));
  return here.map((element, nth) => ({
    ...base(element, "light", railOf(derived, ends[nth].plus)),
    ...ends[nth],
    glow(state) {
      // A dead light that is bridged out still has its supply.
      const { level, colours, lit } = glows[state];
      return { level, colours, whiteMa: element.currentMa ?? 0, share: Math.min(1, Math.max(0, lit - nth)) };
    },
    ma(state, volts) {
      const glow = glows[state];
      const share = Math.min(1, Math.max(0, glow.lit - nth));
      const dark = lightMa(DARK_LIGHT_MA, volts, glow);
      return dark + (share === 0 ? 0 : share * (lightMa(element.currentMa ?? 0, volts, glow) - dark));
    },
  }));
}

/** By the end of a wire: the rail that it is on. */
const railByEnd = (derived: Derived): Map<string, string> =>
  derived.once("rail by end", () => {
    const supplies = derived.nets.filter(({ role }) => role === "supply");
    return new Map(supplies.flatMap(({ id, joints }) => joints.map(({ contactId }) => [contactId, id] as const)));
  });

const railOf = (derived: Derived, end: string | null): string => railByEnd(derived).get(end ?? "") ?? SUPPLY;

function lamps({ design, derived, circuit, built }: Sight): Consumer[] {
  const isShared = circuit.kind === "charlieplex";
  return built.lamps.flatMap(({ elementId }, nth): Consumer[] => {
    const element = derived.elements.get(elementId);
    const branch = lampBranches(design).get(elementId);
    if (!element || !branch) return [];
    // Between line pairs one lamp shines at a time.
    const ma = isShared ? branch.ma / built.lamps.length : branch.ma;
    const register = circuit.kind === "output-registers" ? built.chips[Math.floor(nth / REGISTER_BITS)] : null;
    const anode = contact(element, "anode");
    const cathode = isShared ? null : contact(element, "cathode");
    return [
      {
        ...base(element, "lamp", register ? railOf(derived, anode) : SUPPLY),
        plus: register ? anode : null,
        minus: register ? `${register.id}.GND` : cathode,
        ma: fixed(driven(ma, design.supply.usual.lamps)),
      },
    ];
  });
}

function devices({ design, derived, circuit }: Sight): Consumer[] {
  const { usual } = design.supply;
  const sort = ({ "bus-displays": "display", "segment-chain": "segments", "spi-radio": "radio" } as const)[
    circuit.kind as string
  ];
  if (!sort) return [];
  const percent = sort === "radio" ? usual.radios : usual.displays;
  const members = "members" in circuit ? circuit.members : [];
  return members.flatMap((id): Consumer[] => {
    const element = derived.elements.get(id);
    if (element?.kind !== "device") return [];
    const ma = element.currentMa ?? 0;
    const shown = (ma * percent) / 100;
    const idle = sort === "radio" ? OFF_MA : shown;
    const [plus, minus] = [contact(element, "plus"), contact(element, "minus")];
    return [
      {
        ...base(element, sort, railOf(derived, plus)),
        plus,
        minus,
        ma: fixed({ idle, typical: shown, worst: ma, asleep: OFF_MA }),
      },
    ];
  });
}

/** Motors and buzzers: straight from a pin, or from the rail through their transistor. */
function outputs({ design, derived, built }: Sight): Consumer[] {
  const percent = design.supply.usual.outputs;
  const pins = built.nets.filter(({ role }) => role === "output");
  return pins.flatMap(({ id }): Consumer[] => {
    const element = derived.elements.get(id);
    if (element?.kind !== "output") return [];
    const transistor = built.chips.find((chip) => chip.id.endsWith(`.Q ${id}`));
    const ground = transistor?.terminals.find(({ netId }) => netId === GROUND);
    const [plus, minus] = [contact(element, "plus"), contact(element, "minus")];
    return [
      {
        ...base(element, "output", transistor ? railOf(derived, plus) : SUPPLY),
        plus: transistor ? plus : null,
        minus: transistor && ground ? `${transistor.id}.${ground.name}` : minus,
        ma: fixed(driven(element.currentMa ?? 0, percent)),
      },
    ];
  });
}

/** Of ten bits that are sent at least one is a pause; a usual moment plays one byte in ten. */
const SENT = { worst: 0.9, typical: 0.1 };

/** Loops of sockets for music, closed by the transmitter's pin. */
function sockets({ derived, circuit }: Sight): Consumer[] {
  if (circuit.kind !== "music-out") return [];
  const ma = loopMa(derived.profile?.logicV ?? 0, circuit);
  return circuit.members.flatMap((id): Consumer[] => {
    const element = derived.elements.get(id);
    if (!element) return [];
    return [
      {
        ...base(element, "socket", SUPPLY),
        plus: `${circuit.id}.resistor ${id} source.1`,
        minus: null,
        ma: fixed({ idle: 0, typical: ma * SENT.typical, worst: ma * SENT.worst, asleep: 0 }),
      },
    ];
  });
}

/** Tracks of sticks and pots lie across the logic's supply for good, asleep too. */
function tracks({ derived, built }: Sight): Consumer[] {
  const logicV = derived.profile?.logicV ?? 0;
  return built.nets.flatMap(({ id, role }): Consumer[] => {
    if (role !== "analog") return [];
    const element = derived.elements.get(id);
    if (element?.kind !== "analog" || !element.trackOhm) return [];
    const [top, , bottom] = element.contacts;
    const ma = (1000 * logicV) / element.trackOhm;
    return [{ ...base(element, "track", SUPPLY), plus: top.id, minus: bottom.id, ma: always(ma) }];
  });
}

/** A single bank hangs on the supply for good; of several, one at a time is fed by its pin. */
function ladders({ derived, circuit, built }: Sight): Consumer[] {
  if (built.ladders.length === 0) return [];
  const logicV = derived.profile?.logicV ?? 0;
  const strongest = Math.max(
    ...built.ladders.map(({ rungOhms }) => (1000 * logicV) / rungOhms.reduce((a, b) => a + b, 0)),
  );
  const isFed = built.ladders.length > 1;
  const ma = isFed ? fixed({ idle: strongest, typical: strongest, worst: strongest, asleep: 0 }) : always(strongest);
  const [bank] = built.ladders;
  const id = `${circuit.id}.ladder`;
  const top = derived.netById.get(bank.top)?.joints.find(({ elementId }) => bank.rungs.includes(elementId));
  const bottom = `${circuit.id}.rung ${bank.rungs[0]}.2`;
  const common = {
    id,
    label: `resistors of ${circuit.name}`,
    sort: "ladder" as const,
    controlId: null,
    railId: SUPPLY,
  };
  return [{ ...common, plus: isFed ? null : (top?.contactId ?? null), minus: bottom, ma }];
}

function addedParts({ derived, built }: Sight): Consumer[] {
  return built.chips.flatMap((chip): Consumer[] => {
    const supply = chip.terminals.find(({ name }) => name === "VCC" || name === "VDD");
    const ground = chip.terminals.find(({ name }) => name === "GND" || name === "VSS");
    if (!supply || !ground) return [];
    const plus = `${chip.id}.${supply.name}`;
    return [
      {
        id: chip.id,
        label: chip.id.replace(".", " ").toUpperCase(),
        sort: "added part",
        controlId: null,
        plus,
        minus: `${chip.id}.${ground.name}`,
        railId: railOf(derived, plus),
        ma: always(PART_MA[chip.part] ?? LOGIC_MA),
      },
    ];
  });
}

/** What a plug of the computer gives. */
const PLUG_V = 5;

function mainController({ controllers: [main] }: Derived): Consumer[] {
  if (!main?.profile) return [];
  const { activeMa, asleepMa } = powerOf(main.profile);
  return [
    {
      id: main.controller.id,
      label: main.profile.title,
      sort: "controller" as const,
      controlId: null,
      plus: null,
      minus: null,
      railId: SUPPLY,
      ma: fixed({ idle: activeMa, typical: activeMa, worst: activeMa, asleep: asleepMa }),
    },
  ];
}

/** What hangs on the other end of each link, all together, as the plug at this end feels it: at the voltages that it has there. */
function otherParts(derived: Derived): Consumer[] {
  const { design, linkEnds } = derived;
  return linkEnds.flatMap(({ link, end, controller }): Consumer[] => {
    const [main, ...others] = design.controllers;
    const far = others.find(({ id }) => id === link.farId);
    if (end !== "near" || controller !== main || !far) return [];
    const half = derive(halfOf(design, far.id));
    const all = consumersOf(half);
    const voltsOn = (railId: string) => (railId === SUPPLY ? (half.profile?.logicV ?? PLUG_V) : PLUG_V);
    const id = linkEndId(link, "near");
    return [
      {
        id,
        label: `${halfName(design, far.id)}, over the line`,
        sort: "other part",
        controlId: null,
        plus: `${id}.J1.supply`,
        minus: `${id}.J1.ground`,
        railId: railOf(derived, `${id}.J1.supply`),
        ma: (state) => all.reduce((sum, one) => sum + one.ma(state, voltsOn(one.railId)), 0),
      },
    ];
  });
}

/**
 * Everything that takes current, in the order of the circuits, the controller first.
 * @param circuits those of the design, or the same used otherwise: how bright, how many at once
 */
export const consumersOf = (derived: Derived, circuits: Circuit[] = derived.design.circuits): Consumer[] => [
  ...mainController(derived),
  ...circuits.flatMap((circuit, nth) => (isOnMain(derived, circuit) ? ofCircuit(derived, circuit, nth) : [])),
  ...otherParts(derived),
];

const isOnMain = (derived: Derived, circuit: Circuit): boolean =>
  derived.servedBy(circuit) === derived.servedBy(undefined);

/** A circuit's own, kept with it: trying one chain otherwise leaves all other circuits as they are. */
function ofCircuit(derived: Derived, circuit: Circuit, nth: number): Consumer[] {
  const known = derived.once("consumers of circuits", () => new WeakMap<Circuit, Consumer[]>());
  let own = known.get(circuit);
  if (!own) {
    const sight: Sight = { design: derived.design, derived, circuit, built: derived.builtCircuits[nth] };
    own = [lights, lamps, devices, outputs, sockets, tracks, ladders, addedParts].flatMap((sort) => sort(sight));
    known.set(circuit, own);
  }
  return own;
}
