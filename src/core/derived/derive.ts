import type { ControllerProfile, Pin } from "../catalogue/controllers/controllerProfile";
import { type Control, kindOf } from "../catalogue/kinds";
import type { ControlInput } from "../catalogue/kinds/controlKind";
import { type Circuit, circuitKindOf } from "../circuits";
import type { BuiltCircuit, Shunt } from "../circuits/circuitKind";
import type { Chip } from "../circuits/chip";
import { BASE_VALUE } from "../circuits/direct";
import { layChips } from "../circuits/layChips";
import { type Net, POWER, type PlacedElement, RAIL_5V, SUPPLY, plainNet, rails } from "../circuits/net";
import { railPads } from "../circuits/railPads";
import { partCatalogue } from "../catalogue/parts";
import type { Part } from "../catalogue/parts/part";
import type { Outline } from "../geometry/outline";
import { type Point, point } from "../geometry/point";
import { togetherInput } from "../document/keyRules";
import type { Controller, Design } from "../document/schema";
import type { PartLink } from "../document/partLinks";
import { type LinkEnd, buildLinkEnd } from "./linkEnds";
import { buildSupply } from "./supplyParts";
import { baseResistor } from "../electrics/transistor";
import { withOwnFlags } from "./ownFlags";
import { type PlacedController, placedController } from "./placedController";
import { elementsOf } from "./placedElements";
import { type PlacedShapes, placedShapes } from "./placedShapes";

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

  private shapesOf(control: Control): PlacedShapes {
    return placedShapes(control, this.design.pitch, this.partOf(control));
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

  /** All that can be bound, by name: inputs of controls, and keys together. */
  get bindable(): { id: string; label: string }[] {
    return this.keep("bindable", () => {
      const label = (id: string) => this.inputs.find((input) => input.id === id)?.label ?? "a key that is gone";
      const together = (this.design.keymap.together ?? []).map(({ id, parts }) => ({
        id: togetherInput(id),
        label: parts.map(label).join(" and "),
      }));
      return [...this.inputs, ...together];
    });
  }

  /** What each circuit builds, in the order of the circuits, then what the supply adds, and the ends of links. */
  get builtCircuits(): BuiltCircuit[] {
    return this.keep("builtCircuits", () => {
      const { circuits, chipPlaces, supply } = this.design;
      const plans = [
        ...circuits.map((circuit) =>
          circuitKindOf(circuit).build({ ...circuit, controllerId: this.farOf(circuit) }, this.elements, chipPlaces),
        ),
        buildSupply(supply, chipPlaces, this.supplyEntry),
        ...this.linkEnds.map(({ link, end, controller }) =>
          buildLinkEnd(link, end, this.farOf({ controllerId: controller.id }), controller, chipPlaces),
        ),
      ];
      const modules = this.controllers.flatMap(({ outline }) => outline ?? []);
      return layChips(plans, chipPlaces, [...this.bodies, ...modules]);
    });
  }

  /** Ends of links that lie at a controller which is there. */
  get linkEnds(): { link: PartLink; end: LinkEnd; controller: Controller }[] {
    return this.keep("linkEnds", () => {
      const { partLinks = [], controllers } = this.design;
      return partLinks.flatMap((link) =>
        (["near", "far"] as const).flatMap((end) => {
          const controller = controllers.find(({ id }) => id === (end === "near" ? link.nearId : link.farId));
          return controller ? [{ link, end, controller }] : [];
        }),
      );
    });
  }

  /** Which controller, counted from the main one, each entry of `builtCircuits` is on. */
  get builtParts(): number[] {
    const ids = this.design.controllers.map(({ id }) => id);
    return this.builtFor.map((id) => Math.max(0, ids.indexOf(id ?? "")));
  }

  /** Whose pins each entry of `builtCircuits` is on. */
  private get builtFor(): (string | null)[] {
    const main = this.servedBy(undefined);
    return [
      ...this.design.circuits.map((circuit) => this.servedBy(circuit)),
      main,
      ...this.linkEnds.map(({ controller }) => controller.id),
    ];
  }

  /** Where added supply parts lie by themselves: by the module, or where the panel begins. */
  private get supplyEntry(): Point {
    const placement = this.controller?.placement;
    return placement ? point(placement.xMm, placement.yMm) : point(0, 0);
  }

  /** The main controller's outline on the mat. */
  get moduleOutline(): Outline | null {
    return this.controllers[0]?.outline ?? null;
  }

  /** All nets; what several circuits share (a bus, a rail, ground) stands once, rails and ground last. */
  get nets(): Net[] {
    return this.keep("nets", () => {
      const merged = new Map<string, Net>();
      const { builtFor } = this;
      this.builtCircuits.forEach((built, nth) => {
        const controllerId = builtFor[nth];
        for (const net of built.nets) {
          const id = this.railOf(net.id);
          const known = merged.get(id);
          if (known) merged.set(id, { ...known, joints: [...known.joints, ...net.joints] });
          else merged.set(id, { ...net, id, flag: id === net.id ? net.flag : plainNet(id), controllerId });
        }
      });
      const all = [...merged.values()];
      const last = POWER.flatMap((id) => all.filter((net) => plainNet(net.id) === id));
      const signals = all.filter(({ id }) => !POWER.includes(plainNet(id)));
      const main = POWER.flatMap((id) => merged.get(id) ?? []);
      const far = withOwnFlags(
        last.filter((net) => !main.includes(net)),
        main,
      );
      const named = new Map([...main, ...far].map((net) => [net.id, net]));
      return [...withOwnFlags(signals, [...named.values()]), ...last.map(({ id }) => named.get(id)!)];
    });
  }

  /** The id of the controller that a circuit's lines go to; the main one serves all that name none which is there. */
  servedBy(circuit: Pick<Circuit, "controllerId"> | undefined): string | null {
    return this.farOf(circuit) ?? this.controllers[0]?.controller.id ?? null;
  }

  /** The same where it is not the main one. */
  private farOf(circuit: Pick<Circuit, "controllerId"> | undefined): string | undefined {
    const [, ...others] = this.design.controllers;
    return others.find(({ id }) => id === circuit?.controllerId)?.id;
  }

  /** The class of the controller that a net, part or rail belongs to by its name. */
  private profileOf(id: string): ControllerProfile | null {
    const far = /@([^.]*)/.exec(id)?.[1];
    const placed = far === undefined ? this.controllers[0] : this.controllers.find((one) => one.controller.id === far);
    return placed?.profile ?? null;
  }

  /** Pads that feed a rail; the 5 V rail has none of its own where a jumper chooses its source. */
  padsOf(railId: string, profile: ControllerProfile): Pin[] {
    return railId === RAIL_5V && this.design.supply.outside ? [] : railPads(profile, plainNet(railId));
  }

  /** A rail that the controller feeds from the same pads as its logic is the logic's rail. */
  private railOf(netId: string): string {
    const plain = plainNet(netId);
    const volts = rails.find(({ id }) => id === plain)?.volts ?? null;
    const profile = this.profileOf(netId);
    if (volts === null || !profile) return netId;
    const own = this.padsOf(netId, profile);
    const logic = this.padsOf(SUPPLY, profile);
    return own.length > 0 && own.every((pad) => logic.includes(pad)) ? netId.replace(plain, SUPPLY) : netId;
  }

  /** Resistors and diodes between nets; one that several circuits share stands once. */
  get shunts(): Shunt[] {
    return this.keep("shunts", () => {
      const all = this.builtCircuits.flatMap((built, nth) =>
        built.shunts.map((shunt) => ({
          ...shunt,
          value: this.baseOf(shunt, this.design.circuits[nth]) ?? shunt.value,
        })),
      );
      return [...new Map(all.map((shunt) => [shunt.id, shunt])).values()].map((shunt) => ({
        ...shunt,
        value: this.pullUpOf(shunt.id) ?? shunt.value,
        from: this.railOf(shunt.from),
        to: this.railOf(shunt.to),
      }));
    });
  }

  /** The value of a bus's pull-up where the person chose one. */
  private pullUpOf(shuntId: string): string | null {
    const bus = this.design.buses.find((one) => plainNet(shuntId).startsWith(`i2c${one.bus}.pull-up`));
    return bus ? `${bus.pullUpOhm / 1000} kΩ` : null;
  }

  /** The resistor before the base of a small transistor follows from what it switches and from the pin. */
  private baseOf({ id, value }: Shunt, circuit: Circuit | undefined): string | null {
    const [, elementId] = id.split(".base ");
    const currentMa = this.elements.get(elementId ?? "")?.currentMa;
    const profile = this.controllers.find(({ controller }) => controller.id === this.servedBy(circuit))?.profile;
    if (!profile || !currentMa || value !== BASE_VALUE) return null;
    return `${baseResistor(profile.logicV, currentMa, profile.pinCurrentMa).ohm} Ω`;
  }

  get chipById(): Map<string, Chip> {
    return this.keep("chipById", () => new Map(this.chips.map((chip) => [chip.id, chip])));
  }

  get shuntById(): Map<string, Shunt> {
    return this.keep("shuntById", () => new Map(this.shunts.map((shunt) => [shunt.id, shunt])));
  }

  /** Parts that the circuits add. */
  get chips(): Chip[] {
    return this.keep("chips", () => this.builtCircuits.flatMap((built) => built.chips));
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
          if (!element || !kind.accepts(element)) continue;
          owners.set(id, [...(owners.get(id) ?? []), circuit.id]);
        }
      }
      return owners;
    });
  }

  /** Every controller of the design, the main one first. */
  get controllers(): PlacedController[] {
    return this.keep("controllers", () => this.design.controllers.map((each) => placedController(this.design, each)));
  }

  /** The controller whose pins a net wants. */
  controllerOf(net: Net): PlacedController | null {
    return this.controllers.find(({ controller }) => controller.id === net.controllerId) ?? null;
  }

  /** Nets that want a pin of this controller. */
  netsFor(controllerId: string): Net[] {
    return this.signalNets.filter((net) => net.controllerId === controllerId);
  }

  /** The main controller, for what a device has once: its USB side, its levels. */
  get controller(): Controller | null {
    return this.controllers[0]?.controller ?? null;
  }

  get profile(): ControllerProfile | null {
    return this.controllers[0]?.profile ?? null;
  }
}

/** Height under the cap of an unpressed full-height switch, less its travel (from memory). */
const BENEATH_CAPS_MM = 2.5;

/** An outline on the mat and the index of its control. */
export interface OwnedOutline {
  owner: number;
  outline: Outline;
}

const catalogueById = new Map(partCatalogue.map((part) => [part.id, part]));

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
