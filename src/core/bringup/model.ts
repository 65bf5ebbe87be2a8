import { derive } from "../derived/derive";
import type { Element } from "../catalogue/kinds/controlKind";
import type { Design } from "../document/schema";
import { distanceMm } from "../geometry/point";
import { Groups, assembledOf, seriesShunts } from "./assembled";
import { chipEndsOf } from "./deadChips";
import { BEND_MM, type Bend, type Fault } from "./fault";
import { FaultyWorld, type WorldBase, elementOf, worldBaseOf } from "./faultyWorld";
import { bondsBetween } from "./meterReading";
import { type Outcome, droppingOut, outcomeIn, sweepOutcome, toldBy } from "./predict";
import { type Suspect, suspectsOf } from "./suspects";
import { trialsOf } from "./trials";
import type { Trial } from "./trial";

/** What each suspect would make of a test: `base` is what a sound device answers; the others differ. */
export interface Row {
  base: Outcome;
  others: Map<number, Outcome>;
}

/** All suspects, all tests, and what each would make of each. */
export interface Model {
  base: WorldBase;
  suspects: Suspect[];
  trials: Trial[];
  rows: Row[];
  trialById: Map<string, number>;
}

/** What bring-up of a design reckons with; worked out once. */
export const modelOf = (design: Design): Model => derive(design).once("bring-up", () => new Modelling(design).model());

class Modelling {
  private readonly base: WorldBase;
  private readonly suspects: Suspect[];
  private readonly trials: Trial[];
  private readonly rows: Row[];
  private readonly byNet = new Map<string, number[]>();
  private readonly byBond = new Map<string, number[]>();
  private readonly sound: FaultyWorld;

  constructor(design: Design) {
    const assembled = assembledOf(design);
    this.base = worldBaseOf(assembled);
    this.suspects = suspectsOf(assembled);
    this.trials = trialsOf(assembled, this.suspects);
    this.sound = new FaultyWorld(this.base, []);
    this.rows = this.trials.map(({ deed }) => ({ base: outcomeIn(this.sound, deed), others: new Map() }));
    this.joinByResistors();
    this.trials.forEach((trial, nth) => this.index(trial, nth));
  }

  /** Nets that resistors join: there a reading depends on all of them. */
  private readonly resistive = new Groups();
  private readonly joinedCount = new Map<string, number>();

  private joinByResistors() {
    const { shunts, elements } = derive(this.base.assembled.design);
    for (const { sort, from, to } of shunts) if (sort === "resistor") this.resistive.join(from, to);
    for (const { id, kind } of elements.values()) {
      const [first, ...others] = kind === "analog" ? this.netsOf(id) : [];
      for (const other of others) this.resistive.join(first, other);
    }
    for (const id of this.base.assembled.nets.keys()) {
      const group = this.resistive.find(id);
      this.joinedCount.set(group, (this.joinedCount.get(group) ?? 0) + 1);
    }
  }

  private isJoinedByResistors(netId: string): boolean {
    return (this.joinedCount.get(this.resistive.find(netId)) ?? 0) > 1;
  }

  private tipsOn(netId: string): string[] {
    return this.isJoinedByResistors(netId) ? [`tips ${this.resistive.find(netId)}`] : [];
  }

  /** Tests by what can change them: meters by the metal between their tips, all others by their nets. */
  private index({ deed, nets }: Trial, nth: number) {
    const push = (lists: Map<string, number[]>, key: string) => {
      const list = lists.get(key);
      if (list) list.push(nth);
      else lists.set(key, [nth]);
    };
    if (deed.does !== "meter") for (const id of nets) push(this.byNet, id);
    else {
      for (const bond of bondsBetween(this.sound, deed)) push(this.byBond, bond);
      const ends = [nets[0], nets.at(-1)!].map((id) => this.resistive.find(id));
      // Metal from tip to tip stays joined whatever else touches or is open: only the way itself counts.
      if (this.rows[nth].base === "joined") return;
      push(this.byBond, pairOf(ends));
      for (const end of new Set(ends)) if (this.isJoinedByResistors(end)) push(this.byBond, `tips ${end}`);
    }
  }

  model(): Model {
    this.suspects.forEach((suspect, nth) => this.play(suspect, nth));
    this.bendWhatIsLeft();
    const trialById = new Map(this.trials.map(({ id }, nth) => [id, nth]));
    return { base: this.base, suspects: this.suspects, trials: this.trials, rows: this.rows, trialById };
  }

  private play(suspect: Suspect, nth: number) {
    const { fault } = suspect;
    const note = (trial: number, outcome: Outcome) => {
      if (outcome !== this.rows[trial].base) this.rows[trial].others.set(nth, outcome);
    };
    const touched = this.touchedBy(suspect);
    if (fault.kind === "cold") {
      const bent = new FaultyWorld(this.base, [{ kind: "open", bond: fault.bond }]);
      for (const trial of this.bendsOf(fault.bond, touched)) note(trial, this.bentOutcome(bent, this.trials[trial]));
      return;
    }
    const world = new FaultyWorld(this.base, [fault]);
    const told = new Map<string, Outcome>();
    const toldAlone = (id: string) => {
      let outcome = told.get(id);
      if (outcome === undefined)
        told.set(id, (outcome = this.isTouched(id, touched) ? toldBy(world, [id]) : this.soundTold(id)));
      return outcome;
    };
    for (const trial of this.others(fault, touched)) {
      const { deed } = this.trials[trial];
      if (deed.does === "bend") continue;
      note(
        trial,
        deed.does === "sweep" ? sweepOutcome(deed.each.map((id) => [id, toldAlone(id)])) : outcomeIn(world, deed),
      );
    }
  }

  /** What a bend tells of a cold joint within its reach: held as it is, it conducts; bent, it is open. */
  private bentOutcome(bent: FaultyWorld, { deed }: Trial): Outcome {
    return deed.does === "bend" ? droppingOut(this.sound, bent, deed.held) : "";
  }

  /** A joint that no bend reached yet gets one of its own: something held that hangs on it, and the board bent right there. */
  private bendWhatIsLeft() {
    const touched = new Set(this.rows.flatMap(({ others }) => [...others.keys()]));
    this.suspects.forEach((suspect, nth) => {
      const { fault } = suspect;
      if (fault.kind !== "cold" || touched.has(nth)) return;
      const { aAt, boardId } = this.base.assembled.bonds.get(fault.bond)!;
      const bent = new FaultyWorld(this.base, [{ kind: "open", bond: fault.bond }]);
      const found = this.watchable(this.touchedBy(suspect))
        .map((element) => bendAt(element, { at: aAt, boardId }, this.netsOf(element.id)))
        .find((trial) => this.bentOutcome(bent, trial) !== "");
      if (!found) return;
      const known = this.trials.findIndex(({ id }) => id === found.id);
      const trial = known >= 0 ? known : this.trials.push(found) - 1;
      this.rows[trial] ??= { base: "", others: new Map() };
      const held = new Set(found.nets);
      this.suspects.forEach((other, number) => {
        if (other.fault.kind !== "cold" || ![...this.touchedBy(other)].some((id) => held.has(id))) return;
        const bond = this.base.assembled.bonds.get(other.fault.bond)!;
        if (bond.boardId !== boardId || distanceMm(bond.aAt, aAt) > BEND_MM) return;
        const outcome = this.bentOutcome(new FaultyWorld(this.base, [{ kind: "open", bond: bond.id }]), found);
        if (outcome === "") return;
        this.rows[trial].others.set(number, outcome);
        touched.add(number);
      });
    });
  }

  private netsOf(elementId: string): string[] {
    return (this.base.assembled.contactsOf.get(elementId) ?? []).map(({ netId }) => netId);
  }

  /** Some elements that hang on nets, those first that are on few nets that everything is on. */
  private watchable(nets: ReadonlySet<string>): Element[] {
    const { elements, circuitsOf } = derive(this.base.assembled.design);
    const found = [...elements.values()].filter(({ id }) => circuitsOf.has(id) && this.isTouched(id, nets));
    return found.slice(0, MOST_WATCHED);
  }

  private readonly soundAlone = new Map<string, Outcome>();

  private soundTold(id: string): Outcome {
    let outcome = this.soundAlone.get(id);
    if (outcome === undefined) this.soundAlone.set(id, (outcome = toldBy(this.sound, [id])));
    return outcome;
  }

  private isTouched(elementId: string, touched: ReadonlySet<string>): boolean {
    return (this.base.assembled.contactsOf.get(elementId) ?? []).some(({ netId }) => touched.has(netId));
  }

  /** Nets that a fault is on, and lines of added parts that cannot work without one of them. */
  private touchedBy({ nets, fault }: Suspect): Set<string> {
    const touched = new Set(nets);
    if (fault.kind === "dip" || isDeadShort(fault, this.base))
      for (const id of this.base.assembled.nets.keys()) touched.add(id);
    this.addBehindParts(touched);
    for (const [way, { from }] of seriesShunts(this.base.assembled.design))
      if (touched.has(from.netId)) touched.add(way);
    for (const { own, all } of this.isOwnContact(fault) ? [] : this.ladderNets())
      if (own.some((id) => touched.has(id))) for (const id of all) touched.add(id);
    for (const id of this.busesWithout(touched)) touched.add(id);
    return touched;
  }

  /** Lines of added parts that hang on what is touched, from part to part. */
  private addBehindParts(touched: Set<string>) {
    const chips = chipEndsOf(this.base.assembled);
    for (let size = -1; size !== touched.size;) {
      size = touched.size;
      for (const { service, lines } of chips)
        if (service.some((end) => touched.has(end.netId))) for (const line of lines) touched.add(line);
    }
  }

  /** Of each ladder: the nets of its resistors, and all that its pads are on. */
  private ladderNets(): { own: string[]; all: string[] }[] {
    const { design, contactsOf } = this.base.assembled;
    return derive(design).once("nets of ladders", () =>
      this.base.scan.ladders.map(({ line, rungs }) => {
        const circuit = line.slice(0, line.lastIndexOf(".") + 1);
        const own = derive(design).shunts.flatMap(({ id, from, to }) => (id.startsWith(circuit) ? [from, to] : []));
        const all = rungs.flatMap((id) => (contactsOf.get(id) ?? []).map(({ netId }) => netId));
        return { own: [...own, ...all], all };
      }),
    );
  }

  /** A supply that pulls lines of a bus up. */
  private busesWithout(touched: ReadonlySet<string>): string[] {
    const { shunts, netById } = derive(this.base.assembled.design);
    return shunts.flatMap(({ from, to }) => {
      const [bus] = [from, to].filter((id) => netById.get(id)?.role === "bus");
      return bus !== undefined && (touched.has(from) || touched.has(to)) ? [bus] : [];
    });
  }

  /** A joint of a pad itself is the business of that pad alone. */
  private isOwnContact(fault: Fault): boolean {
    const { bonds, design } = this.base.assembled;
    const controlId = "bond" in fault ? bonds.get(fault.bond)!.controlId : null;
    return controlId !== null && derive(design).controls.has(controlId);
  }

  private bendsOf(bondId: string, touched: ReadonlySet<string>): number[] {
    const bond = this.base.assembled.bonds.get(bondId)!;
    return this.within(this.byNet, touched).filter((nth) => {
      const { deed } = this.trials[nth];
      if (deed.does !== "bend" || deed.bend.boardId !== bond.boardId) return false;
      return Math.min(distanceMm(bond.aAt, deed.bend.at), distanceMm(bond.bAt, deed.bend.at)) <= BEND_MM;
    });
  }

  private within(lists: Map<string, number[]>, keys: Iterable<string>): number[] {
    return [...new Set([...keys].flatMap((key) => lists.get(key) ?? []))];
  }

  private others(fault: Fault, touched: ReadonlySet<string>): number[] {
    return [...this.within(this.byNet, touched), ...this.within(this.byBond, this.metalOf(fault))];
  }

  /** What of the metal a meter would find otherwise. */
  private metalOf(fault: Fault): string[] {
    const { nets, contactsOf } = this.base.assembled;
    const joint = (id: string) => `${id}|${nets.get(id)?.pad?.node}|joint`;
    const pair = (ids: string[]) => [pairOf(ids.map((id) => this.resistive.find(id)))];
    switch (fault.kind) {
      case "open":
      case "reversed":
      case "bridged":
        return [fault.bond, ...this.tipsOn(this.base.assembled.bonds.get(fault.bond)!.netId)];
      case "short":
        return pair([fault.netA, fault.netB]);
      case "swapped":
        return [
          joint(fault.netA),
          joint(fault.netB),
          ...pair([fault.netA, fault.netB]),
          ...this.tipsOn(fault.netA),
          ...this.tipsOn(fault.netB),
        ];
      case "misplaced":
        return [joint(fault.net), ...pair([fault.net, fault.net]), ...this.tipsOn(fault.net)];
      case "stuck":
        return pair(netsOfContact(contactsOf.get(elementOf(fault.contact)) ?? [], fault.contact));
      default:
        return [];
    }
  }
}

/** Both nets of a contact; of a knob's A or B the other one is the common, the last. */
const netsOfContact = (ends: { netId: string }[], contact: string): string[] =>
  ends.length === 0 ? [] : [ends[contact.endsWith("/B") ? 1 : 0].netId, ends.at(-1)!.netId];

/** What tests between two nets are listed under. */
const pairOf = (nets: readonly string[]): string => `nets ${[...nets].sort().join(" | ")}`;

/** So many are tried until one tells a joint's fault. */
const MOST_WATCHED = 40;

/** Something moved or watched while the board is bent at a place. */
function bendAt({ id, label, kind, controlId }: Element, bend: Bend, nets: string[]): Trial {
  const verb = { switch: "Hold", quadrature: "Turn", analog: "Move" }[kind as string] ?? "Watch";
  const { xMm, yMm } = bend.at;
  return {
    id: `bend ${id} at ${xMm.toFixed(1)} ${yMm.toFixed(1)}`,
    deed: { does: "bend", held: [id], bend },
    effort: "bend",
    times: 1,
    title: `${verb} ${label} and bend the board where it is marked`,
    nets,
    controlIds: [controlId],
    at: [bend.at],
  };
}

/** Supply and ground: then nothing works at all. */
const isDeadShort = (fault: Fault, { assembled }: WorldBase): boolean =>
  fault.kind === "dead" ||
  (fault.kind === "short" &&
    [fault.netA, fault.netB]
      .map((id) => assembled.nets.get(id)!.net.role)
      .sort()
      .join() === "ground,supply");
