import { controllerCatalogue } from "../catalogue/controllers";
import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { type Control, kindOf } from "../catalogue/kinds";
import type { ControlInput, Pitch } from "../catalogue/kinds/controlKind";
import { circuitKindOf } from "../circuits";
import type { CircuitPlan, Shunt } from "../circuits/circuitKind";
import type { Chip } from "../circuits/chip";
import { layChips } from "../circuits/layChips";
import { GROUND, type Net, type PlacedElement, SUPPLY, rails } from "../circuits/net";
import { railPads } from "../circuits/railPads";
import { partCatalogue } from "../catalogue/parts";
import { type Part, shapeOutline } from "../catalogue/parts/part";
import { type Outline, circle, placeOutline, roundedRectangle } from "../geometry/outline";
import { place } from "../geometry/point";
import type { Controller, Design } from "../document/schema";

/** What follows from a design. Computed when first asked for, kept as long as the design object lives. */
export class Derived {
  constructor(readonly design: Design) {}

  private readonly kept = new Map<string, unknown>();
  /** Keeps what another module derives, under a name of its own. */
  once<T>(name: string, compute: () => T): T {
    return this.keep(`: ${name}`, compute);
  }

  private keep<T>(name: string, compute: () => T): T {
    if (!this.kept.has(name)) this.kept.set(name, compute());
    return this.kept.get(name) as T;
  }

  get controls(): Map<string, Control> {
    return this.keep("controls", () => new Map(this.design.controls.map((control) => [control.id, control])));
  }

  get parts(): Map<string, Part> {
    return this.keep("parts", () =>
      this.design.parts.length === 0
        ? catalogueById
        : new Map([...catalogueById, ...this.design.parts.map((part) => [part.id, part] as const)]),
    );
  }

  /** The part of a control; the kind's usual one when the named one is not there. */
  partOf(control: Control): Part {
    return this.parts.get(control.partId) ?? catalogueById.get(kindOf(control).partId)!;
  }

  /** Pieces of caps on the mat, each with the control it belongs to (by index), in the order of the controls. */
  get capPieces(): OwnedOutline[] {
    return this.keep("capPieces", () => this.owned(({ caps }) => caps));
  }

  /** Caps that can meet each other: a standoff's low head lies beneath the caps around it. */
  get handPieces(): OwnedOutline[] {
    return this.keep("handPieces", () =>
      this.capPieces.filter(({ owner }) => {
        const control = this.design.controls[owner];
        return control.kind !== "fixing" || this.partOf(control).aboveMm > BENEATH_CAPS_MM;
      }),
    );
  }

  get caps(): Outline[] {
    return this.keep("caps", () => this.capPieces.map(({ outline }) => outline));
  }

  /** Outlines on the mat in the order of the controls. */
  get bodies(): Outline[] {
    return this.keep("bodies", () => this.design.controls.map((control) => this.shapesOf(control).body));
  }

  /** Openings and post holes in the plates, each with its control. */
  get openings(): OwnedOutline[] {
    return this.keep("openings", () => this.owned(({ openings }) => openings));
  }

  /** Room that parts need before and behind the plate, each with its control. */
  get roomBefore(): OwnedOutline[] {
    return this.keep("roomBefore", () => this.owned(({ front }) => front));
  }

  get roomBehind(): OwnedOutline[] {
    return this.keep("roomBehind", () => this.owned(({ behind }) => behind));
  }

  private owned(pick: (shapes: PlacedShapes) => Outline[]): OwnedOutline[] {
    return this.design.controls.flatMap((control, owner) =>
      pick(this.shapesOf(control)).map((outline) => ({ owner, outline })),
    );
  }

  /** Shapes of a control on the mat. An edit leaves most controls the same objects, so their shapes are kept. */
  private shapesOf(control: Control): PlacedShapes {
    const part = this.partOf(control);
    const { pitch } = this.design;
    const known = shapesByControl.get(control);
    if (known && known.part === part && known.pitch === pitch) return known;
    const shapes = placedShapes(control, pitch, part);
    shapesByControl.set(control, shapes);
    return shapes;
  }

  get elements(): Map<string, PlacedElement> {
    return this.keep(
      "elements",
      () => new Map(this.design.controls.flatMap(elementsOf).map((element) => [element.id, element])),
    );
  }

  get inputs(): ControlInput[] {
    return this.keep("inputs", () => this.design.controls.flatMap((control) => kindOf(control).inputs(control)));
  }

  /** The circuits' plans, in the order of the circuits. */
  get plans(): CircuitPlan[] {
    return this.keep("plans", () => {
      const { circuits, chipPlaces } = this.design;
      const plans = circuits.map((circuit) => circuitKindOf(circuit).plan(circuit, this.elements, chipPlaces));
      const module = this.moduleOutline;
      return layChips(plans, chipPlaces, module ? [...this.bodies, module] : this.bodies);
    });
  }

  /** The controller's outline on the mat. */
  get moduleOutline(): Outline | null {
    const { controller, profile } = this;
    if (!controller || !profile) return null;
    return placeOutline(roundedRectangle(profile.widthMm, profile.heightMm, 0), controller.placement);
  }

  /** All nets; what several circuits share (a bus, a rail, ground) stands once, rails and ground last. */
  get nets(): Net[] {
    return this.keep("nets", () => {
      const merged = new Map<string, Net>();
      for (const net of this.plans.flatMap((plan) => plan.nets)) {
        const id = this.railOf(net.id);
        const known = merged.get(id);
        if (known) merged.set(id, { ...known, taps: [...known.taps, ...net.taps] });
        else merged.set(id, id === net.id ? net : { ...net, id, flag: id });
      }
      const power = [...rails.map(({ id }) => id), GROUND];
      const last = power.flatMap((id) => merged.get(id) ?? []);
      const signals = [...merged.values()].filter(({ id }) => !power.includes(id));
      return [...withOwnFlags(signals, last), ...last];
    });
  }

  /** A rail that the controller feeds from the same pads as its logic is the logic's rail. */
  private railOf(netId: string): string {
    const volts = rails.find(({ id }) => id === netId)?.volts ?? null;
    const { profile } = this;
    if (volts === null || !profile) return netId;
    const own = railPads(profile, netId);
    const logic = railPads(profile, SUPPLY);
    return own.length > 0 && own.every((pad) => logic.includes(pad)) ? SUPPLY : netId;
  }

  /** Resistors and diodes between nets; one that several circuits share stands once. */
  get shunts(): Shunt[] {
    return this.keep("shunts", () => {
      const all = this.plans.flatMap((plan) => plan.shunts);
      return [...new Map(all.map((shunt) => [shunt.id, shunt])).values()].map((shunt) => ({
        ...shunt,
        from: this.railOf(shunt.from),
        to: this.railOf(shunt.to),
      }));
    });
  }

  get shuntById(): Map<string, Shunt> {
    return this.keep("shuntById", () => new Map(this.shunts.map((shunt) => [shunt.id, shunt])));
  }

  /** Parts that the circuits add. */
  get chips(): Chip[] {
    return this.keep("chips", () => this.plans.flatMap((plan) => plan.chips));
  }

  get signalNets(): Net[] {
    return this.keep("signalNets", () => this.nets.filter((net) => net.need !== null));
  }

  get netById(): Map<string, Net> {
    return this.keep("netById", () => new Map(this.nets.map((net) => [net.id, net])));
  }

  /** Which circuits hold an element that they can hold: exactly one in a sound design. */
  get circuitsOf(): Map<string, string[]> {
    return this.keep("circuitsOf", () => {
      const owners = new Map<string, string[]>();
      for (const circuit of this.design.circuits) {
        const kind = circuitKindOf(circuit);
        for (const id of kind.members(circuit)) {
          const element = this.elements.get(id);
          if (!element || !kind.takes(element)) continue;
          owners.set(id, [...(owners.get(id) ?? []), circuit.id]);
        }
      }
      return owners;
    });
  }

  get controller(): Controller | null {
    return this.design.controllers[0] ?? null;
  }

  get profile(): ControllerProfile | null {
    return this.keep("profile", () => (this.controller ? profileNamed(this.design, this.controller.profileId) : null));
  }
}

/** Flags are told apart: what has the flag of a rail, a line or another part first gets a number to it. */
function withOwnFlags(nets: Net[], power: Net[]): Net[] {
  const taken = new Set(power.map(({ flag }) => flag));
  return nets.map((net) => {
    let { flag } = net;
    for (let number = 2; taken.has(flag); number++) flag = `${net.flag}·${number}`;
    taken.add(flag);
    return flag === net.flag ? net : { ...net, flag };
  });
}

/** Height under the cap of an unpressed full-height switch, less its travel (from memory). */
const BENEATH_CAPS_MM = 2.5;

interface PlacedShapes {
  part: Part;
  pitch: Pitch;
  caps: Outline[];
  body: Outline;
  openings: Outline[];
  front: Outline[];
  behind: Outline[];
}

const shapesByControl = new WeakMap<Control, PlacedShapes>();

function placedShapes(control: Control, pitch: Pitch, part: Part): PlacedShapes {
  const kind = kindOf(control);
  const onMat = (outline: Outline) => placeOutline(outline, control.placement);
  const posts = part.posts.map((post) => placeOutline(circle(post.diameterMm), { ...post, rotationDeg: 0 }));
  return {
    part,
    pitch,
    caps: kind.cap(control, pitch, part).map(onMat),
    body: onMat(kind.body(control, part)),
    openings: [...kind.openings(control, part), ...posts].map(onMat),
    front: part.front ? [onMat(shapeOutline(part.front))] : [],
    behind: part.behind ? [onMat(shapeOutline(part.behind))] : [],
  };
}

/** An outline on the mat and the index of its control. */
export interface OwnedOutline {
  owner: number;
  outline: Outline;
}

const catalogueById = new Map(partCatalogue.map((part) => [part.id, part]));

/** A part that is mounted from the solder side shows its contacts mirrored. */
const elementsByControl = new WeakMap<Control, PlacedElement[]>();

/** Elements with their contacts on the mat; kept with the control, like its shapes. */
function elementsOf(control: Control): PlacedElement[] {
  let elements = elementsByControl.get(control);
  if (!elements) elementsByControl.set(control, (elements = placedElements(control)));
  return elements;
}

function placedElements(control: Control): PlacedElement[] {
  const mirror = control.placement.mirrored ? -1 : 1;
  return kindOf(control)
    .elements(control)
    .map((element) => ({
      ...element,
      contacts: element.contacts.map((contact) => ({
        ...contact,
        at: place({ xMm: mirror * contact.at.xMm, yMm: contact.at.yMm }, control.placement),
      })),
    }));
}

/** The person's own classes first, so that a copy with the same id can replace one of the catalogue. */
export const profileNamed = (design: Design, id: string): ControllerProfile | null =>
  [...design.profiles, ...controllerCatalogue].find((profile) => profile.id === id) ?? null;

const known = new WeakMap<Design, Derived>();

/** The derived values of a design; the same object for the same design. */
export function derive(design: Design): Derived {
  let derived = known.get(design);
  if (!derived) {
    derived = new Derived(design);
    known.set(design, derived);
  }
  return derived;
}
